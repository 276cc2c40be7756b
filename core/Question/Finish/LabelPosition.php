<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** Where values are written. */
enum LabelPosition: string
{
    /** beyond the column or bar */
    case Outside = 'outside';
    /** within it, where all of them have room across; short ones outside all the same */
    case Inside = 'inside';
}

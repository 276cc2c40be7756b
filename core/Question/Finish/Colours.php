<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** What colours tell. */
enum Colours: string
{
    /** favourable and unfavourable */
    case Effect = 'effect';
    /** the same by lightness only, for grey print */
    case Greys = 'greys';
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** What a line does in a statement. */
enum LineRole: string
{
    /** passenger fares */
    case Adds = 'adds';
    /** fuel; less of it is better by itself */
    case TakesAway = 'takes away';
    /** operating result */
    case Subtotal = 'subtotal';
}

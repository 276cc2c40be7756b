<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/**
 * How a measure's amounts become the amount of a longer period.
 */
enum Grouping: string
{
    case Sum = 'sum';
    /** The mean of the periods: staff, stock on hand. */
    case Average = 'average';
    /** The last period's: balance of an account. */
    case Last = 'last';
    /** Numerator over denominator, both summed first: punctuality. */
    case Ratio = 'ratio';
    /** A percentage whose parts are not known: it cannot be put together from others at all. */
    case Rate = 'rate';
}

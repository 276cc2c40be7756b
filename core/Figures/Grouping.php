<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/**
 * How the amounts of several periods become one: the first of a measure's two rules. The second is OverMembers.
 * A ratio and a rate have one rule for both.
 */
enum Grouping: string
{
    case Sum = 'sum';
    /** The mean of the periods: staff, stock on hand. */
    case Average = 'average';
    /** The last period's: balance of an account. */
    case Last = 'last';
    /** Numerator over denominator, both summed first, over periods and over members: punctuality. */
    case Ratio = 'ratio';
    /** A percentage whose parts are not known: it is never put together, neither over periods nor over members. */
    case Rate = 'rate';
}

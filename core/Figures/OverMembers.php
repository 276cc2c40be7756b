<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/**
 * How the amounts of several members become one: the second of a measure's two rules. The first, over periods, is
 * Grouping.
 */
enum OverMembers: string
{
    /** Net revenue, headcount, stock: a member without a figure counts as nothing. */
    case Sum = 'sum';
    /** The mean of all figures, each counting once: the scores of two stores. */
    case Average = 'average';
    /** A price, or a percentage whose parts are not known: there is an amount of one member, and none of several. */
    case Never = 'never';
}

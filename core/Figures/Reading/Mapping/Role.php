<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

/** What a column of a file is. */
enum Role: string
{
    case Period = 'period';
    case Amount = 'amount';
    case Scenario = 'scenario';
    case Measure = 'measure';
    case Breakdown = 'breakdown';
    /** The unit of the row's amounts, as our own exports have it. */
    case Unit = 'unit';
    /** The sum of other columns: left out, and held against them. */
    case Total = 'total';
    /** The limit of a band of an item, its width, or its part of the target. */
    case Band = 'band';
    case Ignore = 'ignore';
}

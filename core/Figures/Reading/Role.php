<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** What a column of a file is. */
enum Role: string
{
    case Period = 'period';
    case Amount = 'amount';
    case Scenario = 'scenario';
    case Measure = 'measure';
    case Breakdown = 'breakdown';
    case Ignore = 'ignore';
}

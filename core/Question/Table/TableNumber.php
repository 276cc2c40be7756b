<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Table;

/** What a column of a comparison table says of each row. */
enum TableNumber
{
    /** the amount of a scenario */
    case Amount;
    /** what is shown minus a reference */
    case Variance;
    /** the same in percent of the reference */
    case Percent;
    /** the part of the total */
    case Share;
    /** how far a row is on its way to its goal */
    case Progress;
    /** the values over the span */
    case Trend;
}

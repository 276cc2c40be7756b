<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** Rows and numbers of the workings that are sums over others, and no period or member. */
enum SumKey: string
{
    /** members that are not shown one by one */
    case Other = 'other';
    case Total = 'total';
    /** of the closed periods of the closing period's fiscal year */
    case ToDate = 'toDate';
    /** where that year will end */
    case Landing = 'landing';
}

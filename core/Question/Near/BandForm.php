<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

/** What the numbers of bands mean. */
enum BandForm: string
{
    /** upper limits: 60, 75, 90, 100 */
    case Limits = 'limits';
    /** how wide each band is: 60, 15, 15, 10 */
    case Increments = 'increments';
    /** upper limits in percent of the target of each row */
    case PercentOfTarget = 'percentOfTarget';
}

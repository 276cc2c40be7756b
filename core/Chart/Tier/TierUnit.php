<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

/** What a tier's lengths stand for. */
enum TierUnit
{
    case Amount;
    /** amounts of variances that are longer per unit than the values */
    case Variance;
    case Percent;
    case Rate;
}

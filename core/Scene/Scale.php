<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** What lengths of a scene stand for: marks of one scale have one length per unit. */
enum Scale: string
{
    case Amount = 'amount';
    /** amounts of variances that are longer per unit than the values */
    case Variance = 'variance';
    case Percent = 'percent';
    /** percentage points */
    case Points = 'points';
    /** percent of a whole or of a goal */
    case Share = 'share';
    /** amounts as degrees of a ring */
    case Angle = 'angle';
}

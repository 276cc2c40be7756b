<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** What kind of number a column of the workings holds. */
enum ColumnForm: string
{
    case Amount = 'amount';
    case Variance = 'variance';
    case Percent = 'percent';
    /** an amount that is written with its sign, and is no variance */
    case Change = 'change';
    /** a share in percent */
    case Rate = 'rate';
    /** a variance of percentages */
    case Points = 'points';

    /** the name of the band that what is shown is in: no number */
    case Band = 'band';

    public function isOfVariance(): bool
    {
        return !\in_array($this, [self::Amount, self::Change, self::Rate, self::Band], true);
    }
}

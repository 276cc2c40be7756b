<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Schedule;

/** How often figures are fetched. */
enum Every: string
{
    /** Only when somebody asks for it. */
    case Asked = 'asked';
    case Hour = 'hour';
    case WorkingDay = 'working day';
    case Week = 'week';
    /** On the n-th working day of the month. */
    case Month = 'month';

    /** Whether the period that is running is fetched as well, not only the one that is over. */
    public function isWithinPeriod(): bool
    {
        return self::Month !== $this;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** A day as it is written: `2026-09-02`. */
final class DayKey
{
    /** @param int $day counted from 1 January 1970 */
    public static function of(int $day): string
    {
        return vsprintf('%04d-%02d-%02d', CivilDate::parts($day));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** Figures by day may tell a month as a whole: by one figure, dated on its first or its last day. */
final class WholeMonth
{
    /**
     * @param list<int> $days of one month that have a figure, as numbers of days
     *
     * @return ?int the day that the one figure of the whole month is dated on; null: the month is told by days, or not
     */
    public static function maybeDay(array $days): ?int
    {
        $day = $days[0] ?? null;
        if (null === $day || 1 !== \count($days)) {
            return null;
        }
        $isEdge = 1 === CivilDate::parts($day)[2] || 1 === CivilDate::parts($day + 1)[2];

        return $isEdge ? $day : null;
    }
}

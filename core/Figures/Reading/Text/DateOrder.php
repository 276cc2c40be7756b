<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** How dates such as 03/04/2026 are meant. */
enum DateOrder: string
{
    case DayFirst = 'day first';
    case MonthFirst = 'month first';

    /**
     * What the dates themselves prove.
     *
     * @param list<string> $texts
     */
    public static function maybeProven(array $texts): ?self
    {
        $first = $second = 0;
        foreach ($texts as $text) {
            if (1 === preg_match('~^(\d{1,2})[/.-](\d{1,2})[/.-]\d{2,4}$~', $text, $part)) {
                $first = max($first, (int) $part[1]);
                $second = max($second, (int) $part[2]);
            }
        }

        return match (true) {
            $first > 12 && $second <= 12 => self::DayFirst,
            $second > 12 && $first <= 12 => self::MonthFirst,
            default => null,
        };
    }

    /**
     * Whether some date can be read in two ways that differ: `03/04/2026`, but not `04/04/2026`.
     *
     * @param list<string> $texts
     */
    public static function isAmbiguous(array $texts): bool
    {
        if (null !== self::maybeProven($texts)) {
            return false;
        }
        foreach ($texts as $text) {
            $isDate = 1 === preg_match('~^(\d{1,2})[/-](\d{1,2})[/-]\d{2,4}$~', $text, $part);
            if ($isDate && (int) $part[1] !== (int) $part[2]) {
                return true;
            }
        }

        return false;
    }
}

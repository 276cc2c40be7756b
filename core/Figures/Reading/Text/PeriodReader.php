<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;

/**
 * Reads periods as people write them. What needs a year and has none takes the one that the reader was told.
 */
final readonly class PeriodReader
{
    /** A spreadsheet's day 1 is 1 January 1900, and it counts a 29 February 1900 that never was. */
    private const SERIAL_EPOCH = -25569;
    /** 1954 to 2099: what lies outside is no date that anyone means. */
    private const FIRST_SERIAL = 20_000;
    private const LAST_SERIAL = 73_050;

    public function __construct(
        private FiscalCalendar $calendar = new FiscalCalendar(),
        private DateOrder $dates = DateOrder::DayFirst,
        private ?int $year = null,
    ) {}

    public function maybe(string $text): ?Period
    {
        $text = trim(str_replace(', ', ' ', $text));
        try {
            return $this->maybeKey($text) ??
                ($this->maybeDate($text) ??
                    ($this->maybeMonth($text) ?? ($this->maybePart($text) ?? $this->maybeCount($text))));
        } catch (NotAPeriod) {
            return null;
        }
    }

    /** Whether the text names a part of a year and leaves the year out: `Jan`, `Q1`. */
    public static function lacksYear(string $text): bool
    {
        return null !== MonthWords::maybeNumber($text) || 1 === preg_match('/^(?:Q[1-4]|H[12])$/i', trim($text));
    }

    private function maybeKey(string $text): ?Period
    {
        return 1 === preg_match('/^\d{4}-\d{2}(-\d{2})?$|^\d{4}-W\d{2}$/', $text) ? Period::of($text) : null;
    }

    private function maybeDate(string $text): ?Period
    {
        if (1 === preg_match('~^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]00:00(?::00(?:\.0+)?)?Z?)?$~', $text, $d)) {
            return Period::day((int) $d[1], (int) $d[2], (int) $d[3]);
        }
        if (1 === preg_match('~^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d{2})$~', $text, $d)) {
            [$day, $month] =
                DateOrder::DayFirst === $this->dates || str_contains($text, '.') ? [$d[1], $d[2]] : [$d[2], $d[1]];

            return Period::day(self::year($d[3]), (int) $month, (int) $day);
        }
        if (
            1 === preg_match('~^(\d{1,2})[. -]+(\pL{3,})\.?[ ,-]+(\d{4}|\d{2})$~u', $text, $d)
            && null !== ($month = MonthWords::maybeNumber($d[2]))
        ) {
            return Period::day(self::year($d[3]), $month, (int) $d[1]);
        }

        return null;
    }

    private function maybeMonth(string $text): ?Period
    {
        if (1 === preg_match('~^(\d{4})[-/. ](\d{1,2})$~', $text, $m)) {
            return Period::month((int) $m[1], (int) $m[2]);
        }
        if (1 === preg_match('~^(\d{1,2})[-/. ](\d{4})$~', $text, $m)) {
            return Period::month((int) $m[2], (int) $m[1]);
        }
        if (
            1 === preg_match('~^(\pL{3,})\.?(?:[ \'’/.-]*(\d{4}|\d{2}))?$~u', $text, $m)
            || 1 === preg_match('~^(?<y>\d{4})[ /.-]*(?<w>\pL{3,})\.?$~u', $text, $m)
        ) {
            $month = MonthWords::maybeNumber($m['w'] ?? $m[1]);
            $year = $m['y'] ?? ($m[2] ?? null);
            $year = null === $year ? $this->year : self::year($year);

            return null === $month || null === $year ? null : Period::month($year, $month);
        }

        return null;
    }

    private function maybePart(string $text): ?Period
    {
        if (
            1 === preg_match('~^(?<part>[QH])(?<n>[1-4])(?:[ /.\'-]*(?:FY ?)?(?<y>\d{4}|\d{2}))?$~i', $text, $p)
            || 1 === preg_match('~^(?:FY ?)?(?<y>\d{4}|\d{2})[ /.-]*(?<part>[QH])(?<n>[1-4])$~i', $text, $p)
        ) {
            $grain = 'Q' === strtoupper($p['part']) ? Grain::Quarter : Grain::HalfYear;
            $year = isset($p['y']) ? self::year($p['y']) : $this->year;

            return null === $year ? null : Period::inYear($grain, $year, (int) $p['n'], $this->calendar);
        }
        if (1 === preg_match('~^FY ?(\d{4}|\d{2})$~i', $text, $p)) {
            return Period::year(self::year($p[1]), $this->calendar);
        }
        if (
            1 === preg_match('~^(?:W|CW|KW|week) ?(?<n>\d{1,2})[ /.-]+(?<y>\d{4})$~i', $text, $p)
            || 1 === preg_match('~^(?<y>\d{4})[ /.-]*(?:W|CW|KW|week) ?(?<n>\d{1,2})$~i', $text, $p)
        ) {
            return Period::week((int) $p['y'], (int) $p['n']);
        }

        return null;
    }

    private function maybeCount(string $text): ?Period
    {
        if (1 !== preg_match('/^\d{4,6}$/', $text)) {
            return null;
        }
        if (4 === \strlen($text)) {
            return Period::year((int) $text, $this->calendar);
        }
        if (6 === \strlen($text)) {
            return Period::month((int) substr($text, 0, 4), (int) substr($text, 4));
        }
        $day = (int) $text + self::SERIAL_EPOCH;

        return (int) $text >= self::FIRST_SERIAL && (int) $text <= self::LAST_SERIAL
            ? Period::day(...CivilDate::parts($day))
            : null;
    }

    private static function year(string $digits): int
    {
        return 2 === \strlen($digits) ? 2000 + (int) $digits : (int) $digits;
    }
}

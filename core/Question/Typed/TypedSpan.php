<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Figures\Reading\Text\MonthWords;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** Reads a span as people type it: `last 3 months`, `Apr to Jun 2025`, `Q3`, `ytd`, `2024–2026`. */
final readonly class TypedSpan
{
    private const GRAINS = '(day|week|month|quarter|half-year|half year|year)s?';
    private const ALL = '/^(all|everything|all periods|all of it|whatever there is)$/';
    private const YEAR_TO_DATE = '/^(year to date|ytd|this year to date|to date|year so far)$/';
    private const REST_OF_YEAR = '/^(rest of (the |this )?year|the rest|rest|remaining (months|year))$/';
    private const CURRENT = '/^(?:this|current) (month|quarter|half-year|year)$/';
    private const LAST_ONE = '/^last (month|quarter|half-year|year)$/';
    private const LAST = '/^(?:last|past|latest) (\d{1,3}|[a-z]+) '.self::GRAINS.'$/';
    private const PREVIOUS = '/^(?:previous|prior) (?:(\d{1,3}|[a-z]+) )?'.self::GRAINS.'$/';
    private const NUMBERS = [
        'a' => 1,
        'one' => 1,
        'two' => 2,
        'three' => 3,
        'four' => 4,
        'five' => 5,
        'six' => 6,
        'seven' => 7,
        'eight' => 8,
        'nine' => 9,
        'ten' => 10,
        'eleven' => 11,
        'twelve' => 12,
    ];

    /** @param Period $closing whose year is meant where none is told */
    public function __construct(private FiscalCalendar $calendar, private Period $closing) {}

    /** None where it is no span. */
    public function maybe(string $text): ?Span
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', mb_strtolower($text)), ' .');
        $text = (string) preg_replace('/^(in|the|from|over|during) /', '', $text);

        return match (1) {
            preg_match(self::ALL, $text) => Span::all(),
            preg_match(self::YEAR_TO_DATE, $text) => Span::yearToDate(),
            preg_match(self::REST_OF_YEAR, $text) => Span::restOfYear(),
            preg_match(self::CURRENT, $text, $part) => Span::between(
                $this->current($part[1]), $this->current($part[1]),
            ),
            // "last month" is the one before the current one, "last 3 months" ends with it.
            preg_match(self::LAST_ONE, $text, $part) => Span::previous(1, self::grain($part[1])),
            preg_match(self::LAST, $text, $part) => self::maybeCounted(Span::last(...), $part),
            preg_match(self::PREVIOUS, $text, $part) => self::maybeCounted(Span::previous(...), $part),
            default => null,
        } ?? $this->maybeBetween($text);
    }

    /**
     * @param \Closure(int, Grain): Span $span
     * @param array<string> $part the whole match, a count and a grain
     */
    private static function maybeCounted(\Closure $span, array $part): ?Span
    {
        $count = self::maybeCount($part[1] ?? '');

        return null === $count ? null : $span($count, self::grain($part[2] ?? ''));
    }

    private function maybeBetween(string $text): ?Span
    {
        $sides =
            preg_split('/\s*(?:–|—|…|\.\.+|\s-\s|\bto\b|\buntil\b|\btill\b|\bthrough\b|\bthru\b)\s*/u', $text) ?: [];
        // A hyphen without spaces is part of keys such as 2026-08.
        if (1 === \count($sides) && 1 === preg_match('/^(\p{L}+ ?\d*|\d{4})-(\p{L}+ ?\d*|\d{4})$/u', $text, $part)) {
            $sides = [$part[1], $part[2]];
        }
        if (!\in_array(\count($sides), [1, 2], true)) {
            return null;
        }
        $last = $this->maybePeriod(end($sides), null);
        $first = 1 === \count($sides) ? $last : $this->maybePeriod($sides[0], $last);
        if (null === $first || null === $last) {
            return null;
        }
        // November to February ends in the year after.
        if ($first->firstDay() > $last->lastDay() && 1 !== preg_match('/\d{4}/', $sides[0])) {
            $first = $first->yearEarlier();
        }
        try {
            return Span::between($first, $last);
        } catch (NotAPeriod) {
            return null;
        }
    }

    /** @param ?Period $beside whose year is meant where none is told; none: the closing period's */
    private function maybePeriod(string $text, ?Period $beside): ?Period
    {
        $text = trim($text);
        $year = ($beside ?? $this->closing)->group(Grain::Year, $this->calendar)->yearNumber();
        try {
            if (
                1 === preg_match('/^(\p{L}+)\.?[ -]?(\d{4}|\d{2})?$/u', $text, $part)
                && null !== MonthWords::maybeNumber($part[1])
            ) {
                $month = MonthWords::maybeNumber($part[1]);
                $told = $part[2] ?? '';

                return Period::month(
                    '' === $told ? $this->civilYear($month, $beside) : (int) (2 === \strlen($told) ? "20$told" : $told),
                    $month,
                );
            }
            if (1 === preg_match('/^([qh])([1-4])(?: (?:fy)?(\d{4}))?$/', $text, $part)) {
                return Period::inYear(
                    'q' === $part[1] ? Grain::Quarter : Grain::HalfYear,
                    (int) ($part[3] ?? $year),
                    (int) $part[2],
                    $this->calendar,
                );
            }
            if (
                1 === preg_match('/^(\d{1,2})\.? (\p{L}+)(?: (\d{4}))?$/u', $text, $part)
                && null !== MonthWords::maybeNumber($part[2])
            ) {
                return Period::day((int) ($part[3] ?? $year), MonthWords::maybeNumber($part[2]), (int) $part[1]);
            }

            return Period::of(strtoupper($text), $this->calendar);
        } catch (NotAPeriod) {
            return null;
        }
    }

    /** The calendar year in which a month of the meant fiscal year lies. */
    private function civilYear(int $month, ?Period $beside): int
    {
        if (null !== $beside && Grain::Month === $beside->grain) {
            return intdiv($beside->start, 12);
        }
        $first = $this->calendar->firstMonthOfYear($this->closing->group(Grain::Year, $this->calendar)->yearNumber());

        return intdiv($first, 12) + ($month - 1 < $first % 12 ? 1 : 0);
    }

    private function current(string $unit): Period
    {
        return $this->closing->group(self::grain($unit), $this->calendar);
    }

    private static function maybeCount(string $word): ?int
    {
        $count = '' === $word ? 1 : (ctype_digit($word) ? (int) $word : self::NUMBERS[$word] ?? null);

        return null === $count || $count < 1 ? null : $count;
    }

    private static function grain(string $word): Grain
    {
        return Grain::from(str_replace('half year', 'half-year', $word));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * One stretch of time of a grain: a day, a week, a month, or a quarter, half-year or year of a fiscal calendar.
 *
 * `start` counts months (year × 12 + month − 1) or, for days and weeks, days since 1970-01-01; a week starts on Monday.
 * A fiscal year bears the number of the calendar year in which it ends: FY2026 from April runs April 2025 to March
 * 2026.
 */
final readonly class Period
{
    public const FIRST_YEAR = CivilDate::FIRST_YEAR;
    public const LAST_YEAR = CivilDate::LAST_YEAR;

    private function __construct(public Grain $grain, public int $start, public int $firstMonth) {}

    /** The only period of a plain list. */
    public static function timeless(): self
    {
        return new self(Grain::Timeless, 0, 1);
    }

    public static function month(int $year, int $month): self
    {
        if ($month < 1 || $month > 12) {
            throw new NotAPeriod(\sprintf('%d-%02d', $year, $month), 'a month from 01 to 12');
        }

        return new self(Grain::Month, self::checkedYear($year) * 12 + $month - 1, 1);
    }

    public static function day(int $year, int $month, int $day): self
    {
        if (!CivilDate::exists($year, $month, $day)) {
            throw new NotAPeriod(\sprintf('%d-%02d-%02d', $year, $month, $day), 'a date that exists');
        }

        return new self(Grain::Day, CivilDate::number($year, $month, $day), 1);
    }

    /** @param int $number which one of its year, from 1 */
    public static function inYear(Grain $grain, int $year, int $number, FiscalCalendar $calendar): self
    {
        $months = $grain->months();
        if ($months < 1 || $number < 1 || $number * $months > 12) {
            throw new NotAPeriod("$number of $year", "a {$grain->value} of a year");
        }

        return new self(
            $grain,
            $calendar->firstMonthOfYear(self::checkedYear($year)) + ($number - 1) * $months,
            Grain::Month === $grain ? 1 : $calendar->firstMonth,
        );
    }

    public static function year(int $year, FiscalCalendar $calendar = new FiscalCalendar()): self
    {
        return self::inYear(Grain::Year, $year, 1, $calendar);
    }

    /** The period of this grain that starts with the given count; what the fact store keeps. */
    public static function ofStart(Grain $grain, int $start, FiscalCalendar $calendar = new FiscalCalendar()): self
    {
        return new self($grain, $start, $grain->months() > 1 ? $calendar->firstMonth : 1);
    }

    public function firstDay(): int
    {
        // Days first: of years by day there are thousands.
        return Grain::Day === $this->grain || 0 === $this->grain->months()
            ? $this->start
            : self::firstDayOfMonth($this->start);
    }

    public function lastDay(): int
    {
        return match ($this->grain) {
            Grain::Day, Grain::Timeless => $this->start,
            Grain::Week => $this->start + 6,
            Grain::Month => self::firstDayOfMonth($this->start + 1) - 1,
            default => self::firstDayOfMonth($this->start + $this->grain->months()) - 1,
        };
    }

    public function moved(int $periods): self
    {
        $step = match ($this->grain) {
            Grain::Timeless => 0,
            Grain::Day => 1,
            Grain::Week => 7,
            default => $this->grain->months(),
        };

        return new self($this->grain, $this->start + $periods * $step, $this->firstMonth);
    }

    /**
     * The same period one year earlier. 29 February gives 28 February; a week gives the one of the same number, and
     * week 53, where the year before has none, its last one. What counts as prior year of a period is told by
     * PriorYear.
     */
    public function yearEarlier(): self
    {
        if (Grain::Week === $this->grain) {
            return self::week(
                $this->yearNumber() - 1, min($this->numberInYear(), self::weeksIn($this->yearNumber() - 1)),
            );
        }
        if (Grain::Day === $this->grain) {
            [$year, $month, $day] = CivilDate::parts($this->start);

            return self::day($year - 1, $month, 2 === $month ? min($day, 28) : $day);
        }

        return new self($this->grain, $this->start - 12, $this->firstMonth);
    }

    /**
     * The day that says which longer period this one belongs to: of a week its Thursday, else the first day.
     *
     * @return int days since 1970-01-01
     */
    public function decisiveDay(): int
    {
        return Grain::Week === $this->grain ? $this->start + 3 : $this->firstDay();
    }

    /** Whether the period ends later than the other; a week ends where its Thursday is. */
    public function isAfter(self $other): bool
    {
        if ($this->grain === $other->grain) {
            return $this->start > $other->start;
        }
        $end = match ($this->grain) {
            Grain::Day => $this->start,
            Grain::Week => $this->decisiveDay(),
            default => $this->lastDay(),
        };

        return $end > $other->lastDay();
    }

    /**
     * The period of a coarser grain that holds this one; a week belongs where its Thursday is.
     *
     * @throws NotAPeriod where periods of the grain are not made of these
     */
    public function group(Grain $grain, FiscalCalendar $calendar): self
    {
        if ($this->grain === $grain) {
            return $this;
        }
        if (!$grain->groups($this->grain) && Grain::Week !== $this->grain) {
            throw new NotAPeriod($this->key(), "a period that is part of a {$grain->value}");
        }
        if (Grain::Week === $grain) {
            return self::ofStart(Grain::Week, self::mondayOf($this->start));
        }
        $month = $this->decisiveMonth();
        if (Grain::Month === $grain) {
            return self::ofStart(Grain::Month, $month);
        }
        $year = $calendar->yearOfMonth($month);
        $number = intdiv($month - $calendar->firstMonthOfYear($year), $grain->months()) + 1;

        return self::inYear($grain, $year, $number, $calendar);
    }

    /** The first month of the period, counted from year 0; of days and weeks the one that they belong to. */
    private function decisiveMonth(): int
    {
        if ($this->grain->months() > 0) {
            return $this->start;
        }
        [$year, $month] = CivilDate::parts($this->decisiveDay());

        return $year * 12 + $month - 1;
    }

    public function calendar(): FiscalCalendar
    {
        return new FiscalCalendar($this->firstMonth);
    }

    /** The year it belongs to: for quarters, half-years and years the fiscal one. */
    public function yearNumber(): int
    {
        return match ($this->grain) {
            Grain::Timeless => 0,
            Grain::Day => CivilDate::parts($this->start)[0],
            Grain::Week => CivilDate::parts($this->decisiveDay())[0],
            default => $this->calendar()->yearOfMonth($this->start),
        };
    }

    /** Which one of its year it is, from 1. */
    public function numberInYear(): int
    {
        return match ($this->grain) {
            Grain::Timeless => 1,
            Grain::Day => $this->start - CivilDate::number($this->yearNumber(), 1, 1) + 1,
            Grain::Week => intdiv($this->decisiveDay() - CivilDate::number($this->yearNumber(), 1, 1), 7) + 1,
            default => intdiv(
                $this->start - $this->calendar()->firstMonthOfYear($this->yearNumber()), $this->grain->months(),
            ) + 1,
        };
    }

    /** `2026-01-31`, `2026-W05`, `2026-01`, `2026-Q1`, `2026-H1`, `2026`; fiscal `FY2026-Q1`, `FY2026`. */
    public function key(): string
    {
        $year = (1 === $this->firstMonth ? '' : 'FY').$this->yearNumber();

        return match ($this->grain) {
            Grain::Timeless => '',
            Grain::Day => vsprintf('%d-%02d-%02d', CivilDate::parts($this->start)),
            Grain::Week => \sprintf('%d-W%02d', $this->yearNumber(), $this->numberInYear()),
            Grain::Month => \sprintf('%d-%02d', $this->yearNumber(), $this->numberInYear()),
            Grain::Quarter => $year.'-Q'.$this->numberInYear(),
            Grain::HalfYear => $year.'-H'.$this->numberInYear(),
            Grain::Year => $year,
        };
    }

    /** Reads a key back; insists that it is one. */
    public static function of(string $key, FiscalCalendar $calendar = new FiscalCalendar()): self
    {
        if (
            1 !==
            preg_match(
                '/^(?:FY)?(\d{4})(?:-(?:(?<month>\d{2})(?:-(?<day>\d{2}))?|'.
                    'Q(?<quarter>[1-4])|H(?<half>[12])|W(?<week>\d{2})))?$/',
                $key,
                $part,
                \PREG_UNMATCHED_AS_NULL,
            )
        ) {
            throw new NotAPeriod($key, 'a period such as 2026-08, 2026-Q3 or 2026');
        }
        $year = (int) $part[1];

        return match (true) {
            isset($part['day']) => self::day($year, (int) $part['month'], (int) $part['day']),
            isset($part['month']) => self::month($year, (int) $part['month']),
            isset($part['quarter']) => self::inYear(Grain::Quarter, $year, (int) $part['quarter'], $calendar),
            isset($part['half']) => self::inYear(Grain::HalfYear, $year, (int) $part['half'], $calendar),
            isset($part['week']) => self::week($year, (int) $part['week']),
            default => self::year($year, $calendar),
        };
    }

    /** ISO week: the first one of a year is that of its 4 January. */
    public static function week(int $year, int $number): self
    {
        $fourth = CivilDate::number(self::checkedYear($year), 1, 4);
        $week = new self(Grain::Week, self::mondayOf($fourth) + 7 * ($number - 1), 1);
        if ($number < 1 || $week->yearNumber() !== $year) {
            throw new NotAPeriod(\sprintf('%d-W%02d', $year, $number), 'a week of that year');
        }

        return $week;
    }

    /** 52 or 53: 28 December is always in the last week. */
    public static function weeksIn(int $year): int
    {
        return self::ofStart(Grain::Week, self::mondayOf(CivilDate::number($year, 12, 28)))->numberInYear();
    }

    public static function mondayOf(int $day): int
    {
        return $day - (((($day + 3) % 7) + 7) % 7);
    }

    private static function firstDayOfMonth(int $month): int
    {
        /** @var array<int, int> $known days are compared with the ends of few months */
        static $known = [];

        return $known[$month] ??= CivilDate::number(intdiv($month, 12), ($month % 12) + 1, 1);
    }

    private static function checkedYear(int $year): int
    {
        if ($year < self::FIRST_YEAR || $year > self::LAST_YEAR) {
            throw new NotAPeriod((string) $year, \sprintf('a year from %d to %d', self::FIRST_YEAR, self::LAST_YEAR));
        }

        return $year;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/**
 * Which stretch of time a question covers. A relative span is anchored on the closing period, never on a clock.
 */
final readonly class Span
{
    private function __construct(
        public SpanKind $kind,
        public ?Period $from = null,
        public ?Period $to = null,
        public int $count = 0,
        public ?Grain $unit = null,
    ) {}

    public static function all(): self
    {
        return new self(SpanKind::All);
    }

    public static function between(Period $from, Period $to): self
    {
        if ($from->firstDay() > $to->lastDay()) {
            throw new NotAPeriod($from->key().' to '.$to->key(), 'a first period that is not after the last one');
        }

        return new self(SpanKind::Between, $from, $to);
    }

    /** The closing period's unit and those before it, `count` in all. */
    public static function last(int $count, Grain $unit): self
    {
        return new self(SpanKind::Last, count: $count, unit: $unit);
    }

    /** The `count` whole units before the closing period's. */
    public static function previous(int $count, Grain $unit): self
    {
        return new self(SpanKind::Previous, count: $count, unit: $unit);
    }

    public static function yearToDate(): self
    {
        return new self(SpanKind::YearToDate);
    }

    public static function restOfYear(): self
    {
        return new self(SpanKind::RestOfYear);
    }

    public function resolve(Period $closing, FiscalCalendar $calendar, PeriodRange $available): PeriodRange
    {
        $year = $closing->group(Grain::Year, $calendar);
        $unit = null === $this->unit ? $year : self::current($closing, $this->unit, $calendar);

        return match ($this->kind) {
            SpanKind::All => $available,
            SpanKind::Between => PeriodRange::between($this->from ?? $closing, $this->to ?? $closing),
            SpanKind::Last => new PeriodRange($unit->moved(1 - $this->count)->firstDay(), $closing->lastDay()),
            SpanKind::Previous => PeriodRange::between($unit->moved(-$this->count), $unit->moved(-1)),
            SpanKind::YearToDate => new PeriodRange($year->firstDay(), $closing->lastDay()),
            SpanKind::RestOfYear => new PeriodRange($closing->lastDay() + 1, $year->lastDay()),
        };
    }

    /**
     * The unit that holds the closing period; of one that is shorter, such as weeks in a closed month, the unit of its
     * last day.
     */
    private static function current(Period $closing, Grain $unit, FiscalCalendar $calendar): Period
    {
        return $unit->shows($closing->grain)
            ? $closing->group($unit, $calendar)
            : Period::ofStart(Grain::Day, $closing->lastDay())->group($unit, $calendar);
    }
}

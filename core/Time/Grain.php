<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

/** How finely time is cut. Cases stand from fine to coarse; figures of a plain list have no time at all. */
enum Grain: string
{
    case Timeless = 'none';
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';
    case Quarter = 'quarter';
    case HalfYear = 'half-year';
    case Year = 'year';

    /** Months in one period; zero for days and weeks, which months do not divide into, and for no time at all. */
    public function months(): int
    {
        return match ($this) {
            self::Timeless, self::Day, self::Week => 0,
            self::Month => 1,
            self::Quarter => 3,
            self::HalfYear => 6,
            self::Year => 12,
        };
    }

    /** Whether periods of this grain can be put together from those of the finer one. */
    public function groups(self $finer): bool
    {
        return self::Timeless !== $this
            && self::Timeless !== $finer
            && $this->rank() >= $finer->rank()
            && (self::Week !== $finer || self::Week === $this);
    }

    /**
     * Whether a question may show periods of this grain of figures by the finer one; a week is shown where its Thursday
     * is.
     */
    public function shows(self $finer): bool
    {
        return $this->groups($finer) || (self::Week === $finer && $this->rank() > $finer->rank());
    }

    /** @return list<self> this grain and every coarser one that its figures can be shown in */
    public function coarser(): array
    {
        return array_values(array_filter(self::cases(), fn (self $grain): bool => $grain->shows($this)));
    }

    /** @return list<string> the grains that a question may ask for */
    public static function words(): array
    {
        return array_map(
            static fn (self $grain): string => $grain->value,
            array_values(array_filter(self::cases(), static fn (self $grain): bool => self::Timeless !== $grain)),
        );
    }

    public function plural(): string
    {
        return $this->value.'s';
    }

    private function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** Which scenario has figures for which period. */
final readonly class Coverage
{
    /** @param array<string, list<Period>> $periods by scenario code, in calendar order */
    public function __construct(public array $periods) {}

    /** @param array<string, list<int>> $starts of periods, by scenario code */
    public static function ofStarts(array $starts, Grain $grain, FiscalCalendar $calendar): self
    {
        foreach ($starts as $scenario => $known) {
            sort($known);
            $starts[$scenario] = array_map(
                static fn (int $start): Period => Period::ofStart($grain, $start, $calendar),
                $known,
            );
        }

        return new self($starts);
    }

    /** @return list<Scenario> in the order of the codes */
    public function scenarios(): array
    {
        return array_values(array_filter(
            Scenario::cases(),
            fn (Scenario $scenario): bool => [] !== ($this->periods[$scenario->value] ?? []),
        ));
    }

    public function first(): ?Period
    {
        return array_reduce(
            $this->periods,
            static fn (?Period $first, array $periods): ?Period => [] !== $periods
            && (null === $first || $first->isAfter($periods[0]))
                ? $periods[0]
                : $first,
        );
    }

    public function last(?Scenario $scenario = null): ?Period
    {
        $lists = null === $scenario ? $this->periods : [$this->periods[$scenario->value] ?? []];

        return array_reduce($lists, static function (?Period $last, array $periods): ?Period {
            $own = $periods[array_key_last($periods) ?? -1] ?? null;

            return null !== $own && (null === $last || $own->isAfter($last)) ? $own : $last;
        });
    }

    /** Whether the periods of a scenario reach from one period to that of a year later, at least. */
    public function spansYears(Scenario $scenario): bool
    {
        $periods = $this->periods[$scenario->value] ?? [];

        return [] !== $periods && end($periods)->yearEarlier()->firstDay() >= $periods[0]->firstDay();
    }
}

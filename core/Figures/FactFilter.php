<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;

/** Picks single amounts of a dataset: by measure, scenario and period, and by what else must hold of them. */
final readonly class FactFilter
{
    /**
     * @param array<string, array<string, array<int, mixed>|null>> $starts starts of periods, as keys, by measure and
     *                                                                     scenario code;
     *                                                                     null: all periods
     * @param list<MemberFilter|NumberFilter> $where
     */
    public function __construct(private array $starts, public array $where = []) {}

    /** @return list<string> */
    public function measures(): array
    {
        return array_map(strval(...), array_keys($this->starts));
    }

    /** @return list<Scenario> of a measure */
    public function scenarios(string $measure): array
    {
        return array_map(Scenario::from(...), array_keys($this->starts[$measure] ?? []));
    }

    /** Whether it picks the amount of the period that starts there. */
    public function picks(string $measure, Scenario $scenario, int $start): bool
    {
        $byScenario = $this->starts[$measure] ?? [];
        if (!\array_key_exists($scenario->value, $byScenario)) {
            return false;
        }
        $starts = $byScenario[$scenario->value];

        return null === $starts || \array_key_exists($start, $starts);
    }
}

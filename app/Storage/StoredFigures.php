<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\SeriesAdder;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** A kept dataset as figures that can be asked. */
final readonly class StoredFigures implements Figures
{
    private const ALL = -1;

    private Dataset $dataset;

    public function __construct(private DatasetRecord $record, private SeriesStore $store)
    {
        $this->dataset = self::outline($record, $store);
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        return ($this->added($measures, $where, null, Scenario::cases())[''] ?? new SeriesAdder())->sums($this->dataset);
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        return array_map(fn (SeriesAdder $adder): Sums => $adder->sums($this->dataset), $this->added($measures, $where, $this->breakdown($breakdown), $scenarios));
    }

    /**
     * @param list<string>       $measures
     * @param list<MemberFilter> $where
     * @param list<Scenario>     $scenarios
     *
     * @return array<string|int, SeriesAdder> by member's name, or under ''
     */
    private function added(array $measures, array $where, ?BreakdownRecord $by, array $scenarios): array
    {
        $names = $counted = [];
        foreach ($this->record->measures as $measure) {
            if (\in_array($measure->name, $measures, true)) {
                $names[(int) $measure->id] = $measure->name;
                $counted[(int) $measure->id] = $measure->measure()->isCounted();
            }
        }
        $codes = array_map(static fn (int $number): string => SeriesStore::scenario($number)->value, array_combine(range(1, 5), range(1, 5)));
        $adders = [];
        foreach ($this->rows(array_keys($names), $where, $by, array_map(SeriesStore::scenarioNumber(...), $scenarios)) as $row) {
            $adder = $adders[$row[2]] ??= new SeriesAdder();
            $adder->add($names[$row[0]], $codes[$row[1]], $row[3], $counted[$row[0]] ? $row[4] ?? '' : false);
        }
        if (null === $by) {
            return ['' => $adders[0] ?? new SeriesAdder()];
        }
        $members = $this->store->members((int) $by->id);
        $named = [];
        foreach ($members as $id => $name) {
            if (isset($adders[$id])) {
                $named[$name] = $adders[$id];
            }
        }

        return $named;
    }

    /**
     * From kept totals where they answer the question, else from the series themselves.
     *
     * @param list<int>          $measures
     * @param list<MemberFilter> $where
     * @param list<int>          $scenarios numbers
     *
     * @return iterable<array{0: int, 1: int, 2: int, 3: string, 4?: string}> measure, scenario, member or 0, amounts, counts
     */
    private function rows(array $measures, array $where, ?BreakdownRecord $by, array $scenarios): iterable
    {
        $dataset = (int) $this->record->id;
        if ([] === $where && null === $by) {
            return $this->store->totals($dataset, self::ALL, $measures, $scenarios);
        }
        $only = 1 === \count($where) ? $this->breakdown($where[0]->breakdown) : null;
        $of = [] === $where ? $by : (null === $by || $by === $only ? $only : null);
        if (null !== $of && $this->store->keepsTotalsOf($dataset, $of->position)) {
            $rows = $this->store->totals($dataset, $of->position, $measures, $scenarios, [] === $where ? null : $this->members($of, $where[0]));

            return null === $by ? self::together($rows) : $rows;
        }

        return $this->store->amounts($dataset, $measures, $scenarios, array_map($this->condition(...), $where), $by?->position);
    }

    /**
     * @param iterable<array{int, int, int, string, string}> $rows
     *
     * @return \Generator<int, array{int, int, int, string, string}> the same, for no member in particular
     */
    private static function together(iterable $rows): \Generator
    {
        foreach ($rows as [$measure, $scenario, , $amounts, $counts]) {
            yield [$measure, $scenario, 0, $amounts, $counts];
        }
    }

    /** @return list<int> ids of the members that the filter lets through */
    private function members(BreakdownRecord $breakdown, MemberFilter $filter): array
    {
        $members = $this->store->members((int) $breakdown->id);
        $named = array_flip($filter->members);

        return array_keys(array_filter($members, static fn (string $name): bool => isset($named[$name]) === $filter->keeps));
    }

    /** @return array{int, list<int>, bool} */
    private function condition(MemberFilter $filter): array
    {
        $breakdown = $this->breakdown($filter->breakdown);

        return [$breakdown->position, $this->members($breakdown, $filter->keeps ? $filter : new MemberFilter($filter->breakdown, $filter->members)), $filter->keeps];
    }

    private function breakdown(string $name): BreakdownRecord
    {
        foreach ($this->record->breakdowns as $breakdown) {
            if ($breakdown->name === $name) {
                return $breakdown;
            }
        }
        throw new \LogicException("There is no breakdown \"$name\".");
    }

    private static function outline(DatasetRecord $record, SeriesStore $store): Dataset
    {
        $grain = Grain::from($record->grain);
        $calendar = new FiscalCalendar($record->firstMonth);

        return new Dataset(
            $record->name,
            array_values($record->measures->map(static fn (MeasureRecord $measure) => $measure->measure())->toArray()),
            array_values($record->breakdowns->map(static fn (BreakdownRecord $breakdown): Dimension => new Dimension($breakdown->name, array_values($store->members((int) $breakdown->id))))->toArray()),
            $grain,
            $calendar,
            new Coverage(array_map(static fn (array $starts): array => array_map(static fn (int $start): Period => Period::ofStart($grain, $start, $calendar), $starts), $record->coverage)),
            null === $record->closedThrough ? null : Period::of($record->closedThrough, $calendar),
            $record->organisation,
            array_map(static fn (array $notice): Notice => new Notice($notice['id'], $notice['holds'], $notice['says']), $record->notices),
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Names\KnownNames;
use KeenMargin\App\Storage\Record\BreakdownRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\BesideFilter;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Series\SeriesAdder;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** A kept dataset as figures that can be asked. */
final readonly class StoredFigures implements Figures
{
    private const ALL = -1;

    private Dataset $dataset;
    /** @var array<string, BreakdownMembers> by the breakdown's name */
    private array $members;

    public function __construct(private DatasetRecord $record, private SeriesStore $store)
    {
        $members = [];
        foreach ($record->breakdowns as $breakdown) {
            $members[$breakdown->name] = BreakdownMembers::of($breakdown, $store);
        }
        $this->members = $members;
        $this->dataset = self::outline($record, $members, $store);
    }

    /**
     * The dataset as far as it is about some members: a breakdown may have thousands, of which an edit names a few.
     *
     * @param list<string> $names
     */
    public static function about(DatasetRecord $record, SeriesStore $store, array $names): Dataset
    {
        $members = [];
        foreach ($record->breakdowns as $breakdown) {
            $members[$breakdown->name] = BreakdownMembers::some($breakdown, $store, $names);
        }

        return self::outline($record, $members, $store);
    }

    public function members(string $breakdown): BreakdownMembers
    {
        return $this->members[$breakdown];
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        return ($this->added($measures, $where, null, Scenario::cases())[''] ?? new SeriesAdder())->sums(
            $this->dataset,
        );
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        return array_map(
            fn (SeriesAdder $adder): Sums => $adder->sums($this->dataset),
            $this->added($measures, $where, $this->breakdown($breakdown), $scenarios),
        );
    }

    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        $beside = array_filter(
            array_map(static fn (MemberFilter|NumberFilter $filter): string => $filter->field(), $where),
            fn (string $field): bool => null === $this->maybeBreakdown($field),
        );

        return $this->table([...$measures, ...$beside])->sumsBySeries($measures, $where, $scenarios);
    }

    /**
     * The series of some measures in memory.
     *
     * @param list<string> $measures
     */
    private function table(array $measures): FactTable
    {
        $names = [];
        foreach ($this->record->measures as $measure) {
            if (\in_array($measure->name, $measures, true)) {
                $names[(int) $measure->id] = $measure->name;
            }
        }
        $members = [];
        foreach ($this->record->breakdowns as $breakdown) {
            $members[$breakdown->position] = $this->members[$breakdown->name]->names();
        }
        $scenarios = array_map(SeriesStore::scenarioNumber(...), Scenario::cases());
        $all = $this->store->seriesOf((int) $this->record->id, array_keys($names), $scenarios, []);
        $series = $packed = [];
        foreach ($all as [$measure, $scenario, $ids, $amounts]) {
            $own = [];
            foreach ($members as $place => $byId) {
                $own[] = $byId[$ids[$place]] ?? '';
            }
            $series[] = Series::of($names[$measure], SeriesStore::scenario($scenario), $own);
            $packed[] = $amounts;
        }

        return new FactTable($this->dataset, $series, $packed, new Sums());
    }

    /**
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<Scenario> $scenarios
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
        $codes = array_map(
            static fn (int $number): string => SeriesStore::scenario($number)->value,
            array_combine(range(1, 5), range(1, 5)),
        );
        $adders = [];
        $merged = null === $by ? [] : $this->members[$by->name]->merged;
        $rows = $this->rows(array_keys($names), $where, $by, array_map(SeriesStore::scenarioNumber(...), $scenarios));
        foreach ($rows as $row) {
            $adder = $adders[$merged[$row[2]] ?? $row[2]] ??= new SeriesAdder();
            $adder->add($names[$row[0]], $codes[$row[1]], $row[3], $counted[$row[0]] ? $row[4] ?? '' : false);
        }
        if (null === $by) {
            return ['' => $adders[0] ?? new SeriesAdder()];
        }
        $named = [];
        foreach ($this->members[$by->name]->standing() as $id => $name) {
            if (isset($adders[$id])) {
                $named[$name] = $adders[$id];
            }
        }

        return $named;
    }

    /**
     * From kept totals where they answer the question, else from the series themselves.
     *
     * @param list<int> $measures
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<int> $scenarios numbers
     *
     * @return iterable<array{0: int, 1: int, 2: int, 3: string, 4?: string}> measure, scenario, member or 0, amounts,
     *                                                                        counts
     */
    private function rows(array $measures, array $where, ?BreakdownRecord $by, array $scenarios): iterable
    {
        $dataset = (int) $this->record->id;
        if ([] === $where && null === $by) {
            return $this->store->totals($dataset, self::ALL, $measures, $scenarios);
        }
        $beside = array_values(array_filter(
            $where,
            fn (MemberFilter|NumberFilter $filter): bool => null === $this->maybeBreakdown($filter->field()),
        ));
        $conditions = array_map(
            $this->condition(...),
            array_values(array_filter(
                $where,
                fn (MemberFilter|NumberFilter $filter): bool => null !== $this->maybeBreakdown($filter->field()),
            )),
        );
        if ([] !== $beside) {
            return $this->beside($beside, $measures, $scenarios, $conditions, $by?->position);
        }
        $only = 1 === \count($where) ? $this->maybeBreakdown($where[0]->field()) : null;
        $of = [] === $where ? $by : (null === $by || $by === $only ? $only : null);
        if (null !== $of && $this->store->keepsTotalsOf($dataset, $of->position)) {
            $rows = $this->store->totals(
                $dataset,
                $of->position,
                $measures,
                $scenarios,
                [] === $where ? null : $this->kept($of, $conditions[0]),
            );

            return null === $by ? self::together($rows) : $rows;
        }

        return $this->store->amounts($dataset, $measures, $scenarios, $conditions, $by?->position);
    }

    /**
     * From the series, those amounts beside which other measures lie within limits.
     *
     * @param list<MemberFilter|NumberFilter> $filters by measures
     * @param list<int> $measures
     * @param list<int> $scenarios
     * @param list<array{int, list<int>, bool}> $conditions
     *
     * @return \Generator<int, array{int, int, int, string}>
     */
    private function beside(
        array $filters,
        array $measures,
        array $scenarios,
        array $conditions,
        ?int $by,
    ): \Generator {
        $beside = [];
        foreach ($filters as $filter) {
            foreach ($this->record->measures as $measure) {
                if ($filter instanceof NumberFilter && $measure->name === $filter->field) {
                    $beside[] = $one = new BesideFilter($filter, max(0, $measure->scale));
                    foreach (
                        $this->store->seriesOf(
                            (int) $this->record->id,
                            [(int) $measure->id],
                            array_map(SeriesStore::scenarioNumber(...), Scenario::cases()),
                            $conditions,
                        ) as [, $scenario, $members, $amounts]
                    ) {
                        $one->put((string) $scenario, implode(',', $members), $amounts);
                    }
                }
            }
        }
        $actual = (string) SeriesStore::scenarioNumber(Scenario::Actual);
        $series = $this->store->seriesOf((int) $this->record->id, $measures, $scenarios, $conditions);
        foreach ($series as [$measure, $scenario, $members, $amounts]) {
            $kept = array_reduce(
                $beside,
                static fn (string $packed, BesideFilter $filter): string => '' === $packed
                    ? ''
                    : $filter->kept((string) $scenario, $actual, implode(',', $members), $packed),
                $amounts,
            );
            if ('' !== $kept) {
                yield [$measure, $scenario, null === $by ? 0 : $members[$by], $kept];
            }
        }
    }

    /**
     * @param array{int, list<int>, bool} $condition
     *
     * @return list<int> ids that it lets through
     */
    private function kept(BreakdownRecord $breakdown, array $condition): array
    {
        return $condition[2]
            ? $condition[1]
            : array_values(array_diff(array_keys($this->members[$breakdown->name]->names()), $condition[1]));
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

    /** @return array{int, list<int>, bool} place, ids, whether they are kept */
    public function condition(MemberFilter|NumberFilter $filter): array
    {
        $breakdown = $this->breakdown($filter->field());

        return [
            $breakdown->position,
            $this->members[$breakdown->name]->filtered($filter),
            $filter instanceof NumberFilter || $filter->keeps,
        ];
    }

    private function maybeBreakdown(string $name): ?BreakdownRecord
    {
        foreach ($this->record->breakdowns as $breakdown) {
            if ($breakdown->name === $name) {
                return $breakdown;
            }
        }

        return null;
    }

    private function breakdown(string $name): BreakdownRecord
    {
        return $this->maybeBreakdown($name) ?? throw new \LogicException("There is no breakdown \"$name\".");
    }

    /** @param array<string, BreakdownMembers> $members */
    private static function outline(DatasetRecord $record, array $members, SeriesStore $store): Dataset
    {
        $bands = $record->measures->map(static fn (MeasureRecord $measure): array => $measure->bands)->toArray();
        $called = (new KnownNames($store->connection))->in($bands);
        $grain = Grain::from($record->grain);
        $calendar = new FiscalCalendar($record->firstMonth);

        return new Dataset(
            name: $record->name,
            measures: array_values(
                $record->measures->map(static fn (MeasureRecord $measure) => $measure->measure($called))->toArray(),
            ),
            breakdowns: array_values(
                array_map(static fn (BreakdownMembers $own): Breakdown => $own->breakdown(), $members),
            ),
            grain: $grain,
            calendar: $calendar,
            coverage: new Coverage(array_map(
                static fn (array $starts): array => array_map(
                    static fn (int $start): Period => Period::ofStart($grain, $start, $calendar),
                    $starts,
                ),
                $record->coverage,
            )),
            closedThrough: null === $record->closedThrough ? null : Period::of($record->closedThrough, $calendar),
            organisation: $record->organisation,
            notices: array_map(
                static fn (array $notice): Notice => new Notice(
                    $notice['id'],
                    $notice['holds'],
                    $notice['says'],
                    $notice['members'] ?? [],
                ),
                $record->notices,
            ),
        );
    }
}

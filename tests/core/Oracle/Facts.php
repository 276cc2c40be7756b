<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/** Figures as plain rows, each key once. */
final class Facts
{
    /** @var array<string, array<string, array<string, list<Fact>>>> by measure, scenario and period */
    private array $index = [];
    /** @var list<Fact> rows that tell what is covered */
    private array $told;
    /** @var array<string, array<string, array<string, true>>> which periods have figures, by measure and scenario */
    private array $covered = [];
    /** @var array<string, bool> */
    private array $known = [];
    /** @var array<string, bool> */
    private array $whole = [];

    /**
     * @param list<Fact> $rows
     * @param string $grain the finest
     * @param array<string, array<string, string>> $parents of members in groups, by breakdown
     * @param ?list<Fact> $covering rows that tell what is covered; null: the same
     */
    public function __construct(
        public readonly array $rows,
        public readonly string $grain,
        public readonly Calendar $calendar,
        public readonly array $parents = [],
        ?array $covering = null,
    ) {
        foreach ($rows as $row) {
            $this->index[$row->measure][$row->scenario][$row->start][] = $row;
        }
        $this->told = $covering ?? $rows;
        foreach ($this->told as $row) {
            $this->covered[$row->measure][$row->scenario][$row->start] = true;
        }
    }

    public function first(): string
    {
        return min(array_map(static fn (Fact $row): string => $row->start, $this->told) ?: ['']);
    }

    public function last(): string
    {
        return max(array_map(static fn (Fact $row): string => $row->start, $this->told) ?: ['']);
    }

    /**
     * The last period with actuals; of days their month, where the last one is among the last four days of it.
     *
     * @return array{string, string} its first day and its grain
     */
    public function closing(): array
    {
        $actual = array_map(
            static fn (Fact $row): string => $row->start,
            array_filter($this->told, static fn (Fact $row): bool => 'AC' === $row->scenario),
        );
        $last = [] === $actual ? $this->last() : max($actual);
        $isOver = [] === $actual || (int) substr($last, 8) > (int) (new \DateTimeImmutable($last))->format('t') - 4;

        return 'day' === $this->grain && $isOver
            ? [$this->calendar->start($last, 'month'), 'month']
            : [$last, $this->grain];
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where all of which must hold
     * @param ?list<string> $only members, joined, that count; null: all
     *
     * @return list<BigRational> amounts of a measure, scenario and period
     */
    public function amounts(
        string $measure,
        string $scenario,
        string $start,
        array $where,
        ?array $only = null,
    ): array {
        $rows = array_filter(
            $this->passing($measure, $scenario, $start, $where),
            static fn (Fact $row): bool => null === $only
                || [] !== array_intersect($only, [
                    self::joined($row), self::joined($row, 'Route'), self::joined($row, 'Class'),
                ]),
        );

        return array_values(array_map(static fn (Fact $row): BigRational => BigRational::of($row->amount), $rows));
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<string> members, joined, that have an amount there
     */
    public function membersWith(string $measure, string $scenario, string $start, array $where, ?string $but): array
    {
        return array_map(
            static fn (Fact $row): string => self::joined($row, $but),
            $this->passing($measure, $scenario, $start, $where),
        );
    }

    private static function joined(Fact $row, ?string $but = null): string
    {
        return json_encode(array_diff_key($row->members, [$but => 1]), \JSON_THROW_ON_ERROR);
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<Fact>
     */
    private function passing(string $measure, string $scenario, string $start, array $where): array
    {
        $passes = static fn (Fact $row): bool => [] ===
            array_filter(
                $where,
                static fn (array $filter): bool => \in_array(
                    $row->members[$filter['field']], $filter['members'], true,
                ) !== $filter['keeps'],
            );

        return array_values(array_filter($this->index[$measure][$scenario][$start] ?? [], $passes));
    }

    /** @return list<string> first days of the periods that have a figure */
    public function starts(string $measure, string $scenario): array
    {
        return array_map(strval(...), array_keys($this->covered[$measure][$scenario] ?? []));
    }

    /** Whether the whole dataset has a figure there: of a day, in its month. */
    public function covers(string $measure, string $scenario, string $start): bool
    {
        $unit = $this->unit($start);

        return $this->known["$measure $scenario $unit"] ??=
            [] !==
            array_filter($this->starts($measure, $scenario), fn (string $own): bool => $this->unit($own) === $unit);
    }

    /** @param list<string> $sources measures, all of which have to be covered */
    public function coversAll(array $sources, string $scenario, string $start): bool
    {
        return [] === array_filter($sources, fn (string $source): bool => !$this->covers($source, $scenario, $start));
    }

    /** Whether the whole dataset has a figure of just this period. */
    public function has(string $measure, string $scenario, string $start): bool
    {
        return isset($this->covered[$measure][$scenario][$start]);
    }

    /**
     * Whether a scenario has figures of one day only in the month of a day, and that is the month's first or last one.
     *
     * @param list<string> $sources measures
     */
    public function isWholeMonth(array $sources, string $scenario, string $day): bool
    {
        if ('day' !== $this->grain) {
            return false;
        }

        return $this->whole[implode('|', [...$sources, $scenario, $this->unit($day)])] ??= $this->hasOneDay(
            $sources, $scenario, $day,
        );
    }

    /** @param list<string> $sources */
    private function hasOneDay(array $sources, string $scenario, string $day): bool
    {
        $all = array_merge([], ...array_map(fn (string $source): array => $this->starts($source, $scenario), $sources));
        $days = array_values(
            array_unique(array_filter($all, fn (string $own): bool => $this->unit($own) === $this->unit($day))),
        );
        $month = $this->calendar->start($day, 'month');

        return 1 === \count($days) && \in_array($days[0], [$month, $this->calendar->end($month, 'month')], true);
    }

    /** Days are judged by their month. */
    public function unit(string $start): string
    {
        return 'day' === $this->grain ? substr($start, 0, 7) : $start;
    }

    /** @return list<string> a member, or what stands in a group one by one */
    public function leaves(string $breakdown, string $member): array
    {
        $children = array_map(strval(...), array_keys($this->parents[$breakdown] ?? [], $member, true));

        return [] === $children
            ? [$member]
            : array_merge(...array_map(fn (string $child): array => $this->leaves($breakdown, $child), $children));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/**
 * What the workings of a question have to say, reckoned from the design's rules (coverage, the two rules of a measure,
 * spans, closing period) in exact fractions, slowly and without any of the program's code.
 *
 * What it does not say: messages, sentences and drawings; more than twelve charts of a kind; filters by numbers; bands;
 * merged members; figures without periods; how members of equal size stand to each other beyond their own order. Days
 * are judged by their month also where a missing figure does not count as nothing (ratios, averages over members); and
 * where one side has one figure for a whole month, the month is compared as a whole, though the first or the last
 * actual lies within it.
 *
 * @phpstan-import-type Cell from Rules
 */
final class Reckoning
{
    private readonly Rules $rules;
    private readonly CapacityReckoning $capacity;
    private readonly Calendar $calendar;
    private readonly string $closingEnd;
    /** first day of the closing period's fiscal year */
    private readonly string $year;
    private readonly string $from;
    private readonly string $to;
    /** @var list<string> finest periods of the question */
    private readonly array $fine;

    /**
     * @param array<string, Rule> $measures
     * @param array<string, list<string>> $breakdowns members in their order, groups last
     * @param array<string, string> $roles of lines
     * @param 'comparison'|'hat'|'capacity' $family of the kind
     */
    public function __construct(
        private readonly Facts $facts,
        private readonly array $measures,
        private readonly array $breakdowns,
        private readonly array $roles,
        private readonly Asked $asked,
        private readonly string $family,
    ) {
        $this->calendar = $facts->calendar;
        [$closing, $grain] = $asked->closing ?? $facts->closing();
        $this->closingEnd = $this->calendar->end($closing, $grain);
        $this->year = $this->calendar->group($closing, $grain, 'year');
        [$this->from, $this->to] = $this->span($closing, $grain);
        $this->fine = $this->calendar->belonging($facts->grain, $this->from, $this->to);
        $this->rules = new Rules($facts, $measures, $asked, $this->closingEnd, $this->to);
        $this->capacity = new CapacityReckoning($this->rules, $asked);
    }

    public function workings(): Expected
    {
        $isClosed = fn (string $p): bool => $this->calendar->decisive($p, $this->facts->grain) >= $this->year
            && !$this->rules->isOpen($p);
        $closed = array_values(array_filter($this->fine, $isClosed));
        $year = $this->calendar->belonging($this->facts->grain, $this->year, $this->calendar->end($this->year, 'year'));
        $isForecast = fn (string $p): bool => $this->rules->isOpen($p)
            && $this->rules->shows($this->asked->measure, $p);
        $lands =
            null !== $this->asked->forecast
            && 'AC' === $this->asked->scenario
            && [] !== array_filter($this->fine, $isForecast)
            && [] !== array_filter($year, $isForecast);
        $hasSums = $this->isOverTime() && 'comparison' === $this->family;

        return new Expected(
            $this->orderedRows(),
            $this->total($this->asked->where),
            $hasSums && [] !== $closed ? $this->numbers($closed, $this->asked->where, true) : null,
            $hasSums && $lands ? $this->numbers($year, $this->asked->where) : null,
        );
    }

    /**
     * Whether what is shown covers any of the periods; of a capacity all its parts.
     *
     * @param list<string> $fine
     */
    public function showsAny(array $fine): bool
    {
        $measures = [] === $this->asked->parts ? [$this->asked->measure] : array_values($this->asked->parts);
        $lacksNone = fn (string $p): bool => [] ===
            array_filter($measures, fn (string $measure): bool => !$this->rules->shows($measure, $p));

        return [] !== array_filter($fine, $lacksNone);
    }

    /** Whether a finest period is one of the question. */
    public function isAbout(string $p): bool
    {
        return \in_array($p, $this->fine, true);
    }

    /**
     * How the span is named that the headline is about: from the first to the last period that what is shown covers.
     */
    public function spokenSpan(bool $isToDate): string
    {
        $grain = $this->facts->grain;
        $isClosed = fn (string $p): bool => $this->calendar->decisive($p, $grain) >= $this->year
            && !$this->rules->isOpen($p);
        $about = array_values(array_filter($this->fine, static fn (string $p): bool => !$isToDate || $isClosed($p)));
        $shown = array_column($this->shownCells($this->asked->measure, $about), 1);
        [$first, $last] = [$shown[0] ?? '', $shown[\count($shown) - 1] ?? ''];
        $areMonths =
            'day' === $grain
            && str_ends_with($first, '-01')
            && '01' === substr($this->calendar->next($last, 'day'), 8);
        $keys = $areMonths
            ? [substr($first, 0, 7), substr($last, 0, 7)]
            : [$this->calendar->key($first, $grain), $this->calendar->key($last, $grain)];
        $fiscal = new FiscalCalendar($this->calendar->firstMonth);

        return PeriodNames::range(...array_map(static fn (string $key): Period => Period::of($key, $fiscal), $keys));
    }

    private function isOverTime(): bool
    {
        return !isset($this->breakdowns[$this->asked->by]);
    }

    // Spans and rows over time.

    /** @return array{string, string} first and last day */
    private function span(string $closing, string $closingGrain): array
    {
        $span = $this->asked->span;
        $grain = $span['grain'] ?? 'month';
        $count = $span['count'] ?? 1;
        $order = array_flip(['day', 'week', 'month', 'quarter', 'half-year', 'year']);
        // Weeks in a closed month are counted from the month's last day.
        $current =
            $order[$grain] < $order[$closingGrain]
                ? $this->calendar->start($this->closingEnd, $grain)
                : $this->calendar->group($closing, $closingGrain, $grain);

        return match ($span['kind'] ?? 'all') {
            'between' => [$span['from'] ?? '', $this->calendar->end($span['to'] ?? '', $grain)],
            'last' => [$this->calendar->shifted($current, $grain, 1 - $count), $this->closingEnd],
            'previous' => [
                $this->calendar->shifted($current, $grain, -$count),
                $this->calendar->end($this->calendar->shifted($current, $grain, -1), $grain),
            ],
            'year to date' => [$this->year, $this->closingEnd],
            'rest of year' => [
                $this->calendar->shifted($this->closingEnd, 'day', 1), $this->calendar->end($this->year, 'year'),
            ],
            default => [$this->facts->first(), $this->calendar->end($this->facts->last(), $this->facts->grain)],
        };
    }

    /** @return array<string, list<string>> finest periods of each row, by its first day */
    private function rowPeriods(): array
    {
        $by = $this->asked->by;
        $own =
            'week' === $this->facts->grain || $by === $this->facts->grain
                ? []
                : array_fill_keys($this->calendar->touching($by, $this->from, $this->to), []);
        foreach ($this->fine as $p) {
            $own[$this->calendar->group($p, $this->facts->grain, $by)][] = $p;
        }

        return $own;
    }

    /** @return list<string> finest periods that a running total is made of */
    private function cumulated(string $row): array
    {
        $end = min($this->calendar->end($row, $this->asked->by), $this->to);
        $first =
            'moving' === $this->asked->cumulate
                ? $this->calendar->shifted(substr($end, 0, 7).'-01', 'month', -11)
                : $this->calendar->group($row, $this->asked->by, 'year');

        return $this->calendar->belonging($this->facts->grain, $first, $end);
    }

    // Numbers of some periods and members.

    /**
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function numbers(array $fine, array $where, bool $isToDate = false): Numbers
    {
        return match ($this->family) {
            'hat' => $this->hat($fine, $where),
            'capacity' => $this->capacity->of($fine, $where, $this->capacity->isTargetOnTotal($this->fine)),
            default => $this->comparison($fine, $where, $isToDate),
        };
    }

    /**
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     * @param bool $isToDate whether it is of what is closed alone, without the forecast of the month that is not over
     */
    private function comparison(array $fine, array $where, bool $isToDate): Numbers
    {
        $measure = $this->asked->measure;
        $values = $variances = $leftOut = [];
        $scenarios = array_unique(
            array_filter([$this->asked->scenario, $this->asked->forecast, ...$this->asked->against]),
        );
        foreach ($scenarios as $scenario) {
            $cells = $this->valueCells($scenario, $fine, isToDate: $isToDate);
            $values[$scenario] = $this->rules->together($measure, $cells, $where);
        }
        $isAdded = $this->measures[$measure]->isAdded();
        foreach ($this->asked->against as $reference) {
            $shown = $held = $both = $leftOut[$reference] = [];
            foreach ($fine as $p) {
                $scenario = $this->rules->scenarioAt($p);
                $isShown = $this->rules->covers($measure, $scenario, $p, $reference);
                $isHeld = $this->rules->covers($measure, $reference, $p, $scenario);
                if ($this->rules->isLeftOut($measure, $reference, $p, $isToDate)) {
                    if ($isShown || $isHeld) {
                        $leftOut[$reference][] = $p;
                    }
                    continue;
                }
                $isHeld = $isHeld && [] !== $this->rules->cells($measure, $reference, $p, $isToDate);
                if (
                    ($isShown xor $isHeld) && $this->rules->isFigured($measure, $isShown ? $scenario : $reference, $p)
                ) {
                    $leftOut[$reference][] = $p;
                }
                if (!$isShown || !$isHeld) {
                    continue;
                }
                array_push($shown, ...$this->rules->cells($measure, (string) $scenario, $p, $isToDate));
                array_push($held, ...$this->rules->cells($measure, $reference, $p, $isToDate));
                $both[$this->facts->unit($p)][] = $p;
            }
            if (!$isAdded) {
                $cells = fn (string $scenario, string $p): array => $this->rules->cells(
                    $measure, $scenario, $p, $isToDate,
                );
                $ofShown = fn (string $p): array => $cells((string) $this->rules->scenarioAt($p), $p);
                $ofReference = static fn (string $p): array => $cells($reference, $p);
                $units = array_map(
                    static fn (array $unit): array => [
                        array_merge([], ...array_map($ofShown, $unit)),
                        array_merge([], ...array_map($ofReference, $unit)),
                    ],
                    $both,
                );
                [$shown, $held, $lacking] = $this->rules->alike($measure, $units, $where, $where);
                foreach ($lacking as $unit) {
                    array_push($leftOut[$reference], ...$both[$unit]);
                }
                sort($leftOut[$reference]);
            }
            $variances[$reference] = Pair::maybe(
                $this->rules->together($measure, $shown, $where),
                $this->rules->together($measure, $held, $where),
                $isAdded,
            );
        }

        return new Numbers($this->shown($measure, $fine, $where), $values, $variances, leftOut: $leftOut);
    }

    /**
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function hat(array $fine, array $where): Numbers
    {
        $measure = $this->asked->measure;
        $isAdded = $this->measures[$measure]->isAdded();
        [$first, $second] = [[...$where, $this->side('first')], [...$where, $this->side('second')]];
        $cells = $this->shownCells($measure, $fine);
        [$ofFirst, $ofSecond] = [$cells, $cells];
        if (!$isAdded) {
            $units = [];
            foreach ($fine as $p) {
                if ($this->rules->shows($measure, $p)) {
                    $own = $this->rules->cells($measure, (string) $this->rules->scenarioAt($p), $p);
                    $unit = $this->facts->unit($p);
                    $units[$unit] = [...$units[$unit] ?? [], ...$own];
                }
            }
            [$ofSecond, $ofFirst] = $this->rules->alike(
                $measure,
                array_map(static fn (array $own): array => [$own, $own], $units),
                $second,
                $first,
                $this->asked->between['field'] ?? null,
            );
        }
        $shown = $this->rules->together($measure, $cells, $second);

        return new Numbers(
            $shown,
            ['first' => $this->rules->together($measure, $cells, $first), 'second' => $shown],
            [
                'first' => Pair::maybe(
                    $this->rules->together($measure, $ofSecond, $second),
                    $this->rules->together($measure, $ofFirst, $first),
                    $isAdded,
                ),
            ],
        );
    }

    /**
     * @param 'first'|'second' $which
     *
     * @return array{field: string, members: list<string>, keeps: bool}
     */
    private function side(string $which): array
    {
        return [
            'field' => $this->asked->between['field'] ?? '',
            'members' => [$this->asked->between[$which] ?? ''],
            'keeps' => true,
        ];
    }

    /**
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function shown(string $measure, array $fine, array $where): ?BigRational
    {
        return $this->rules->together($measure, $this->shownCells($measure, $fine), $where);
    }

    /**
     * @param list<string> $fine
     *
     * @return list<Cell> scenario and period
     */
    private function shownCells(string $measure, array $fine): array
    {
        $cells = [];
        foreach ($fine as $p) {
            if ($this->rules->shows($measure, $p)) {
                array_push($cells, ...$this->rules->cells($measure, (string) $this->rules->scenarioAt($p), $p));
            }
        }

        return $cells;
    }

    /**
     * Actuals that are shown end with the closing period.
     *
     * @param list<string> $fine
     *
     * @return list<Cell>
     */
    private function valueCells(string $scenario, array $fine, ?string $measure = null, bool $isToDate = false): array
    {
        $measure ??= $this->asked->measure;
        $cells = [];
        foreach ($fine as $p) {
            if ($this->hasValue($measure, $scenario, $p)) {
                // A forecast beside what is shown is told as it came.
                $own = $scenario === $this->asked->forecast
                    ? [[$scenario, $p]]
                    : $this->rules->cells($measure, $scenario, $p, $isToDate);
                array_push($cells, ...$own);
            }
        }

        return $cells;
    }

    private function hasValue(string $measure, string $scenario, string $p): bool
    {
        $isCut = 'AC' === $scenario && 'AC' === $this->asked->scenario && $this->rules->isOpen($p);

        return !$isCut && $this->rules->covers($measure, $scenario, $p);
    }

    /**
     * Whether there is any figure of what is shown or of a reference.
     *
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function hasAny(array $fine, array $where): bool
    {
        $where = 'hat' === $this->family ? [...$where, $this->both()] : $where;
        foreach (
            'capacity' === $this->family ? array_values($this->asked->parts) : [$this->asked->measure] as $measure
        ) {
            $all = [$this->shownCells($measure, $fine)];
            foreach ('hat' === $this->family ? [] : $this->asked->against as $reference) {
                $all[] = $this->valueCells($reference, $fine, $measure);
            }
            foreach ($all as $cells) {
                if ($this->rules->hasAny($measure, $cells, $where)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array{field: string, members: list<string>, keeps: bool} */
    private function both(): array
    {
        return [
            'field' => $this->asked->between['field'] ?? '',
            'members' => [...$this->side('first')['members'], ...$this->side('second')['members']],
            'keeps' => true,
        ];
    }

    // Rows in their order.

    /** @return list<ExpectedRow> */
    private function orderedRows(): array
    {
        $order = new RowsInOrder($this->asked, $this->family, $this->roles, $this->measures[$this->asked->measure]);
        $kept = $this->keptMembers();
        $together = $order->of($this->rows($this->asked->where, $kept));
        if (null === $this->asked->each) {
            return $together;
        }
        $reach = $this->reach();
        $rows = [];
        foreach ($this->breakdowns[$this->asked->each] as $member) {
            $own = [...$this->asked->where, ['field' => $this->asked->each, 'members' => [$member], 'keeps' => true]];
            foreach ($this->hasAny($reach, $own) ? $order->like($together, $this->rows($own, $kept)) : [] as $row) {
                $rows[] = $row->inPanel($member);
            }
        }

        return $rows;
    }

    /** @return list<string> all finest periods that rows are made of */
    private function reach(): array
    {
        if (null === $this->asked->cumulate) {
            return $this->fine;
        }
        $all = array_unique(array_merge(
            [],
            ...array_map(
                fn (string|int $row): array => $this->cumulated((string) $row),
                array_keys($this->rowPeriods()),
            ),
        ));
        sort($all);

        return $all;
    }

    /** @return list<string>|null members that are not gathered; null: all */
    private function keptMembers(): ?array
    {
        if ($this->isOverTime()) {
            return null;
        }
        $present = $this->present($this->asked->where);
        $top = $this->asked->top ?? (\count($present) > 40 ? 20 : \count($present));
        if (\count($present) <= $top) {
            return null;
        }
        $measure =
            'capacity' === $this->family
                ? $this->asked->parts['used'] ?? ($this->asked->parts['total'] ?? '')
                : $this->asked->measure;
        $sizes = [];
        foreach ($present as $member) {
            $where = $this->only($this->asked->where, $member);
            $sizes[] = [
                $member,
                $this->shown(
                    $measure,
                    $this->fine,
                    'hat' === $this->family ? [...$where, $this->both()] : $where,
                )?->abs(),
            ];
        }
        usort(
            $sizes,
            static fn (array $a, array $b): int => match (true) {
                null === $a[1] || null === $b[1] => (null === $a[1] ? 1 : 0) <=> (null === $b[1] ? 1 : 0),
                default => $b[1]->compareTo($a[1]),
            },
        );

        return array_column(\array_slice($sizes, 0, $top), 0);
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<string> members that have a row
     */
    private function present(array $where): array
    {
        $groups = array_values($this->facts->parents[$this->asked->by] ?? []);

        return array_values(array_filter(
            $this->breakdowns[$this->asked->by],
            fn (string $member): bool => !\in_array($member, $groups, true)
                && $this->hasAny($this->fine, $this->only($where, $member)),
        ));
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<array{field: string, members: list<string>, keeps: bool}>
     */
    private function only(array $where, string ...$members): array
    {
        return [...$where, ['field' => $this->asked->by, 'members' => array_values($members), 'keeps' => true]];
    }

    /**
     * Rows of one chart, in the order of periods or members.
     *
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     * @param list<string>|null $kept
     *
     * @return list<ExpectedRow>
     */
    private function rows(array $where, ?array $kept): array
    {
        $rows = [];
        if ($this->isOverTime()) {
            foreach ($this->rowPeriods() as $row => $own) {
                $rows[] = $this->periodRow((string) $row, $own, $where);
            }

            return $rows;
        }
        $present = $this->present($where);
        foreach (array_intersect($kept ?? [], $present) as $member) {
            $rows[] = $this->memberRow($member, 'row', 0, $this->only($where, $member), [$member]);
        }
        $others = null === $kept ? [] : array_diff($present, $kept);
        if ([] !== $others) {
            $rows[] = $this->memberRow('other', 'other', 0, $this->only($where, ...$others), []);
        }
        $rows = null === $kept ? $this->tree($present, $where) : $rows;
        $total = \count($rows) > 1 ? $this->total($where) : null;
        if (null !== $total) {
            $rows[] = new ExpectedRow('total', 'total', 0, false, $total);
        }

        return $rows;
    }

    /**
     * Members with each group before what stands in it.
     *
     * @param list<string> $present
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return list<ExpectedRow>
     */
    private function tree(array $present, array $where, ?string $parent = null, int $depth = 0): array
    {
        $parents = $this->facts->parents[$this->asked->by] ?? [];
        $rows = [];
        foreach ($this->breakdowns[$this->asked->by] as $member) {
            $leaves = $this->facts->leaves($this->asked->by, $member);
            if (($parents[$member] ?? null) !== $parent || [] === array_intersect($leaves, $present)) {
                continue;
            }
            $isGroup = \in_array($member, $parents, true);
            $isShown = !$isGroup || $this->canAdd($leaves);
            if ($isShown) {
                $rows[] = $this->memberRow(
                    $member,
                    $isGroup ? 'group' : 'row',
                    $depth,
                    $this->only($where, ...$leaves),
                    $leaves,
                );
            }
            array_push($rows, ...$isGroup ? $this->tree($present, $where, $member, $depth + ($isShown ? 1 : 0)) : []);
        }

        return $rows;
    }

    /**
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     * @param list<string> $members
     */
    private function memberRow(string $key, string $role, int $depth, array $where, array $members): ExpectedRow
    {
        return new ExpectedRow(
            $key,
            $role,
            $depth,
            ['takes away'] === array_unique($this->rolesOf($members)),
            $this->numbers($this->fine, $where),
        );
    }

    /**
     * @param list<string> $own
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function periodRow(string $row, array $own, array $where): ExpectedRow
    {
        $key = $this->calendar->key($row, $this->asked->by);
        $numbers =
            null === $this->asked->cumulate
                ? $this->numbers($own, $where)
                : $this->running($own, $this->cumulated($row), $where);

        return new ExpectedRow($key, 'row', 0, false, $numbers);
    }

    /**
     * A running total stops where its own period is missing; one of twelve months is whole or not at all.
     *
     * @param list<string> $own
     * @param list<string> $all
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function running(array $own, array $all, array $where): Numbers
    {
        $numbers = $this->numbers($all, $where);
        $isWhole = fn (callable $covers): bool => 'moving' === $this->asked->cumulate
            ? [] === array_filter($all, static fn (string $p): bool => !$covers($p))
            : [] !== array_filter($own, $covers);
        $shows = $isWhole(
            fn (string $p): bool => 'capacity' === $this->family
                ? $this->capacity->shows($p)
                : $this->rules->shows($this->asked->measure, $p),
        );
        $values = $numbers->values;
        $variances = $numbers->variances;
        foreach ('comparison' === $this->family ? array_keys($values) : [] as $scenario) {
            if (!$isWhole(fn (string $p): bool => $this->hasValue($this->asked->measure, $scenario, $p))) {
                $values[$scenario] = null;
                $variances = array_replace($variances, isset($variances[$scenario]) ? [$scenario => null] : []);
            }
        }
        $numbers = new Numbers($numbers->shown, $values, $variances, $numbers->lacksPart);

        return $shows ? $numbers : $numbers->missing('comparison' === $this->family);
    }

    /**
     * What all rows come to; null where adding up says nothing. Of lines that add and take away it is their result.
     *
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    private function total(array $where): ?Numbers
    {
        if ($this->hasTotal()) {
            return $this->numbers($this->fine, $where);
        }
        $isStatement = [] !== array_intersect(['takes away', 'subtotal'], $this->roles);
        $isAdded = $this->measures[$this->asked->measure]->isAdded();
        if ('Route' !== $this->asked->by || 'comparison' !== $this->family || !$isStatement || !$isAdded) {
            return null;
        }

        return $this->net()->numbers($this->fine, $where);
    }

    /** Whether rows and totals add up lines of which some add and others take away. */
    public function isNet(): bool
    {
        $leaves = array_merge(
            [],
            ...array_map(fn (string $one): array => $this->facts->leaves('Route', $one), $this->breakdowns['Route']),
        );
        foreach ($this->asked->where as $filter) {
            if ('Route' === $filter['field']) {
                $held = array_merge(
                    [],
                    ...array_map(fn (string $one): array => $this->facts->leaves('Route', $one), $filter['members']),
                );
                $leaves = $filter['keeps'] ? array_intersect($leaves, $held) : array_diff($leaves, $held);
            }
        }
        $roles = array_unique(array_map(fn (string $one): string => $this->roles[$one] ?? '', $leaves));
        $isStatement = [] !== array_intersect(['takes away', 'subtotal'], $this->roles);

        // One line alone is told as it came.
        return $isStatement
            && \count(array_unique($leaves)) > 1
            && 'capacity' !== $this->family
            && !('hat' === $this->family && 'Route' === ($this->asked->between['field'] ?? ''))
            && 'Route' !== $this->asked->by
            && 'Route' !== $this->asked->each
            && $this->measures[$this->asked->measure]->isAdded()
            && (\count($roles) > 1 || \in_array('subtotal', $roles, true));
    }

    /** The same figures with costs turned round where they are, all together, above zero; subtotals left out. */
    public function net(): self
    {
        $above = [];
        foreach ($this->facts->rows as $row) {
            $line = "{$row->measure} {$row->scenario} {$row->members['Route']}";
            $above[$line] = ($above[$line] ?? BigRational::zero())->plus($row->amount);
        }
        $rows = [];
        foreach ($this->facts->rows as $row) {
            $role = $this->roles[$row->members['Route']] ?? '';
            $isTurned =
                'takes away' === $role
                && $above["{$row->measure} {$row->scenario} {$row->members['Route']}"]->getSign() >= 0;
            if ('subtotal' !== $role) {
                $amount = $isTurned ? (string) BigDecimal::of($row->amount)->negated() : $row->amount;
                $rows[] = new Fact($row->measure, $row->scenario, $row->start, $row->members, $amount);
            }
        }
        $grain = $this->facts->grain;

        return new self(
            new Facts($rows, $grain, $this->calendar, $this->facts->parents, $this->facts->rows),
            $this->measures,
            $this->breakdowns,
            roles: [],
            asked: $this->asked,
            family: $this->family,
        );
    }

    private function hasTotal(): bool
    {
        return $this->isOverTime() || $this->canAdd($this->present($this->asked->where));
    }

    /**
     * Lines that add and lines that take away are not added up, nor is what is never put together over members.
     *
     * @param list<string> $members
     */
    private function canAdd(array $members): bool
    {
        $roles = $this->rolesOf($members);
        $isMixed = \in_array('adds', $roles, true) && \in_array('takes away', $roles, true);

        return !$this->measures[$this->asked->measure]->isNeverOverMembers()
            && !$isMixed
            && !\in_array('subtotal', $roles, true);
    }

    /**
     * @param list<string> $members
     *
     * @return list<string>
     */
    private function rolesOf(array $members): array
    {
        return array_map(
            fn (string $member): string => 'Route' === $this->asked->by ? $this->roles[$member] ?? '' : '',
            $members,
        );
    }
}

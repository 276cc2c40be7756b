<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Table;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\MeasureCoverage;
use KeenMargin\Core\Workings\Rows\MemberSizes;

/**
 * A measure's amounts with members down and periods across, and their sums. Shown is one scenario, or the actual up to
 * the closing period and the forecast after it.
 */
final readonly class MemberTable
{
    /**
     * @param list<Period> $periods as they are shown
     * @param list<array{string, list<?BigDecimal>, ?BigDecimal}> $rows member or group, its amounts, its total
     * @param array{list<?BigDecimal>, ?BigDecimal} $total
     * @param list<?Scenario> $shown of each period, over all members
     * @param int $count members in all, on all pages
     */
    private function __construct(
        public array $periods,
        public array $rows,
        public array $total,
        public array $shown,
        public int $count,
    ) {}

    /**
     * @param ?string $by a breakdown; none: only the totals
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<Period> $fine periods of the finest grain
     * @param Grain $grain that they are shown in
     * @param bool $largestFirst by the size of the total; else in the members' own order
     * @param list<string> $folded groups whose members are left out, where they stand in their own order
     */
    public static function of(
        Figures $figures,
        Measure $measure,
        Scenario $scenario,
        ?Scenario $forecast,
        ?string $by,
        array $where,
        array $fine,
        Grain $grain,
        bool $largestFirst,
        int $from,
        int $most,
        array $folded = [],
    ): self {
        $dataset = $figures->dataset();
        $periods = $groups = [];
        foreach ($fine as $period) {
            $shown = $grain === $period->grain ? $period : $period->group($grain, $dataset->calendar);
            $periods[$shown->key()] = $shown;
            $groups[$shown->key()][] = $period;
        }
        $groups = array_values(array_map(static fn (array $group): FinePeriods => new FinePeriods($group), $groups));
        $all = new FinePeriods($fine);
        $comparison = self::comparison($figures, $measure, $scenario, $forecast);
        $sums = $figures->sums($measure->sources(), $where);
        $row = static fn (Sums $own): array => [
            self::cells($comparison, $groups, $own), $comparison->shown($all, $own),
        ];
        $breakdown = null === $by ? new Breakdown('', []) : $dataset->maybeBreakdown($by) ?? new Breakdown($by, []);
        $scenarios = array_values(array_unique(
            array_filter([$scenario, $forecast, Scenario::PriorYear === $scenario ? Scenario::Actual : null]),
            \SORT_REGULAR,
        ));
        [$members, $count] = $largestFirst
            ? self::largest(
                figures: $figures,
                measure: $measure,
                comparison: $comparison,
                by: $breakdown->name,
                where: $where,
                scenarios: $scenarios,
                fine: $all,
                from: $from,
                most: $most,
            )
            : [\array_slice($tree = $breakdown->asTree($folded), $from, $most), \count($tree)];
        $held = array_fill_keys($breakdown->groups(), true);
        $leaves = array_values(array_filter($members, static fn (string $member): bool => !isset($held[$member])));
        $isAllLeaves = \count($leaves) === \count($breakdown->members);
        $byMember =
            [] === $leaves
                ? []
                : $figures->sumsBy(
                    $breakdown->name,
                    $measure->sources(),
                    $isAllLeaves ? $where : [...$where, new MemberFilter($breakdown->name, $leaves)],
                    $scenarios,
                );
        $rows = [];
        foreach ($members as $member) {
            $own = isset($held[$member])
                ? $figures->sums($measure->sources(), [
                    ...$where,
                    new MemberFilter($breakdown->name, $breakdown->within($member)),
                ])
                : $byMember[$member] ?? new Sums();
            $rows[] = [$member, ...$row($own)];
        }

        return new self(
            array_values($periods),
            $rows,
            $row($sums),
            array_map(static fn (FinePeriods $group): ?Scenario => $comparison->scenarioOf($group, $sums), $groups),
            $count,
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<Scenario> $scenarios
     *
     * @return array{list<string>, int} those of the members that have any amount, largest first, and how many there are
     */
    private static function largest(
        Figures $figures,
        Measure $measure,
        Comparison $comparison,
        string $by,
        array $where,
        array $scenarios,
        FinePeriods $fine,
        int $from,
        int $most,
    ): array {
        $sums = '' === $by ? [] : $figures->sumsBy($by, $measure->sources(), $where, $scenarios);
        $sizes = MemberSizes::largestFirst(MemberSizes::of($sums, $measure, $comparison, $fine));

        return [array_map(strval(...), \array_slice(array_keys($sizes), $from, $most)), \count($sizes)];
    }

    /** The same comparison that charts make, without a reference. */
    public static function comparison(
        Figures $figures,
        Measure $measure,
        Scenario $scenario,
        ?Scenario $forecast,
    ): Comparison {
        $dataset = $figures->dataset();
        $closing = $dataset->maybeClosing() ?? Period::timeless();
        $coverage = new MeasureCoverage($measure, $figures->sums($measure->sources(), []), $dataset, $closing);

        return new Comparison(
            measure: $measure,
            coverage: $coverage,
            scenario: $scenario,
            forecast: $forecast,
            against: [],
            closing: $closing,
        );
    }

    /**
     * @param list<FinePeriods> $groups
     *
     * @return list<?BigDecimal>
     */
    private static function cells(Comparison $comparison, array $groups, Sums $sums): array
    {
        return array_map(static fn (FinePeriods $group): ?BigDecimal => $comparison->shown($group, $sums), $groups);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Flag;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/**
 * A measure's amounts with members down and periods across, and their sums. Shown is one scenario, or the actual up to the
 * closing period and the forecast after it.
 */
final readonly class MemberTable
{
    /**
     * @param list<Period>                                        $periods as they are shown
     * @param list<array{string, list<?BigDecimal>, ?BigDecimal}> $rows    member or group, its amounts, its total
     * @param array{list<?BigDecimal>, ?BigDecimal}               $total
     * @param list<?Scenario>                                     $shown   of each period, over all members
     * @param int                                                 $count   members in all, on all pages
     */
    private function __construct(public array $periods, public array $rows, public array $total, public array $shown, public int $count)
    {
    }

    /**
     * @param ?string                         $by           a breakdown; none: only the totals
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<Period>                    $fine         periods of the finest grain
     * @param Grain                           $grain        that they are shown in
     * @param bool                            $largestFirst by the size of the total; else in the members' own order
     * @param list<string>                    $folded       groups whose members are left out, where they stand in their own order
     */
    public static function of(Figures $figures, Measure $measure, Scenario $scenario, ?Scenario $forecast, ?string $by, array $where, array $fine, Grain $grain, bool $largestFirst, int $from, int $most, array $folded = []): self
    {
        $periods = $groups = [];
        foreach ($fine as $period) {
            $shown = $grain === $period->grain ? $period : $figures->dataset()->calendar->group($period, $grain);
            $periods[$shown->key()] = $shown;
            $groups[$shown->key()][] = $period;
        }
        $groups = array_values($groups);
        $closing = $figures->dataset()->maybeClosing() ?? Period::timeless();
        $compared = static fn (Sums $sums): Comparison => self::compared($sums, $measure, $scenario, $forecast, $closing);
        $all = $compared($figures->sums($measure->sources(), $where));
        $dimension = null === $by ? new Dimension('', []) : $figures->dataset()->maybeBreakdown($by) ?? new Dimension($by, []);
        $scenarios = array_values(array_unique(array_filter([$scenario, $forecast, Scenario::PriorYear === $scenario ? Scenario::Actual : null]), \SORT_REGULAR));
        [$members, $count] = $largestFirst
            ? self::largest($figures, $measure, $scenario, $forecast, $dimension->name, $where, $scenarios, $closing, $fine, $from, $most)
            : [\array_slice($tree = $dimension->asTree($folded), $from, $most), \count($tree)];
        $held = array_fill_keys($dimension->groups(), true);
        $leaves = array_values(array_filter($members, static fn (string $member): bool => !isset($held[$member])));
        $sums = [] === $leaves ? [] : $figures->sumsBy($dimension->name, $measure->sources(), \count($leaves) === \count($dimension->members) ? $where : [...$where, new MemberFilter($dimension->name, $leaves)], $scenarios);
        $rows = [];
        foreach ($members as $member) {
            $comparison = $compared(isset($held[$member]) ? $figures->sums($measure->sources(), [...$where, new MemberFilter($dimension->name, $dimension->within($member))]) : $sums[$member] ?? new Sums());
            $rows[] = [$member, self::cells($comparison, $groups), $comparison->total($fine)->shown];
        }

        return new self(
            array_values($periods),
            $rows,
            [self::cells($all, $groups), $all->total($fine)->shown],
            array_map($all->scenarioOf(...), $groups),
            $count,
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     * @param list<Scenario>                  $scenarios
     * @param list<Period>                    $fine
     *
     * @return array{list<string>, int} those of the members that have any amount, largest first, and how many there are
     */
    private static function largest(Figures $figures, Measure $measure, Scenario $scenario, ?Scenario $forecast, string $by, array $where, array $scenarios, Period $closing, array $fine, int $from, int $most): array
    {
        $sizes = '' === $by ? [] : MemberSizes::largestFirst(MemberSizes::of($figures->sumsBy($by, $measure->sources(), $where, $scenarios), $measure, $scenario, $forecast, $closing, $fine));

        return [array_map(strval(...), \array_slice(array_keys($sizes), $from, $most)), \count($sizes)];
    }

    /** The same comparison that charts make, without a reference. */
    public static function compared(Sums $sums, Measure $measure, Scenario $scenario, ?Scenario $forecast, Period $closing): Comparison
    {
        return new Comparison(Amounts::ofSums($measure, $sums), $scenario, $forecast, [], $closing, Better::More, new Flag(), $measure->isInPercent());
    }

    /**
     * @param list<list<Period>> $groups
     *
     * @return list<?BigDecimal>
     */
    private static function cells(Comparison $comparison, array $groups): array
    {
        return array_map(static fn (array $group): ?BigDecimal => $comparison->total($group)->shown, $groups);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
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
     * @param list<array{string, list<?BigDecimal>, ?BigDecimal}> $rows    member, its amounts, its total
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
     */
    public static function of(Figures $figures, Measure $measure, Scenario $scenario, ?Scenario $forecast, ?string $by, array $where, array $fine, Grain $grain, bool $largestFirst, int $from, int $most): self
    {
        $periods = $groups = [];
        foreach ($fine as $period) {
            $shown = $grain === $period->grain ? $period : $figures->dataset()->calendar->group($period, $grain);
            $periods[$shown->key()] = $shown;
            $groups[$shown->key()][] = $period;
        }
        $groups = array_values($groups);
        $closing = $figures->dataset()->maybeClosing() ?? Period::timeless();
        $all = self::compared($figures->sums($measure->sources(), $where), $measure, $scenario, $forecast, $closing);
        $bySums = null === $by ? [] : $figures->sumsBy($by, $measure->sources(), $where, array_values(array_unique(array_filter([$scenario, $forecast, Scenario::PriorYear === $scenario ? Scenario::Actual : null]), \SORT_REGULAR)));
        $sizes = MemberSizes::of($bySums, $measure, $scenario, $forecast, $closing, $fine);
        if ($largestFirst) {
            $sizes = MemberSizes::largestFirst($sizes);
        }
        $rows = [];
        foreach (\array_slice(array_keys($sizes), $from, $most) as $member) {
            $comparison = self::compared($bySums[$member], $measure, $scenario, $forecast, $closing);
            $rows[] = [(string) $member, self::cells($comparison, $groups), $comparison->total($fine)->shown];
        }

        return new self(
            array_values($periods),
            $rows,
            [self::cells($all, $groups), $all->total($fine)->shown],
            array_map($all->scenarioOf(...), $groups),
            \count($sizes),
        );
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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Flag;
use KeenMargin\Core\Time\Period;

/**
 * A measure's amounts with members down and periods across, and their sums. Shown is one scenario, or the actual up to the
 * closing period and the forecast after it.
 */
final readonly class MemberTable
{
    /**
     * @param list<Period>                                        $periods
     * @param list<array{string, list<?BigDecimal>, ?BigDecimal}> $rows    member, its amounts, its total
     * @param array{list<?BigDecimal>, ?BigDecimal}               $total
     * @param list<?Scenario>                                     $shown   of each period, over all members
     * @param int                                                 $count   members in all, on all pages
     */
    private function __construct(public array $periods, public array $rows, public array $total, public array $shown, public int $count)
    {
    }

    /**
     * @param ?string            $by           a breakdown; none: only the totals
     * @param list<MemberFilter> $where
     * @param list<Period>       $periods      of the finest grain
     * @param bool               $largestFirst by the size of the total; else in the members' own order
     */
    public static function of(Figures $figures, Measure $measure, Scenario $scenario, ?Scenario $forecast, ?string $by, array $where, array $periods, bool $largestFirst, int $from, int $most): self
    {
        $closing = $figures->dataset()->isTimeless() ? Period::timeless() : $figures->dataset()->closing();
        $all = self::compared($figures->sums($measure->sources(), $where), $measure, $scenario, $forecast, $closing);
        $rows = [];
        foreach (null === $by ? [] : $figures->sumsBy($by, $measure->sources(), $where) as $member => $sums) {
            $comparison = self::compared($sums, $measure, $scenario, $forecast, $closing);
            $total = $comparison->total($periods)->shown;
            if (null !== $total) {
                $rows[] = [(string) $member, $comparison, $total];
            }
        }
        if ($largestFirst) {
            usort($rows, static fn (array $a, array $b): int => $b[2]->abs()->compareTo($a[2]->abs()));
        }

        return new self(
            $periods,
            array_map(static fn (array $row): array => [$row[0], self::cells($row[1], $periods), $row[2]], \array_slice($rows, $from, $most)),
            [self::cells($all, $periods), $all->total($periods)->shown],
            array_map(static fn (Period $period): ?Scenario => $all->scenarioOf([$period]), $periods),
            \count($rows),
        );
    }

    private static function compared(Sums $sums, Measure $measure, Scenario $scenario, ?Scenario $forecast, Period $closing): Comparison
    {
        return new Comparison(Amounts::ofSums($measure, $sums), $scenario, $forecast, [], $closing, Better::More, new Flag(), $measure->isInPercent());
    }

    /**
     * @param list<Period> $periods
     *
     * @return list<?BigDecimal>
     */
    private static function cells(Comparison $comparison, array $periods): array
    {
        return array_map(static fn (Period $period): ?BigDecimal => $comparison->total([$period])->shown, $periods);
    }
}

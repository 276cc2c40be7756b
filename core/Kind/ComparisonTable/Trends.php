<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Trend;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;

/** What is shown of each row, period by period; days are taken by months. */
final class Trends
{
    /** @return array<string, Trend> by the ids of rows' keys */
    public static function of(Scope $scope, Figures $figures): array
    {
        $made = new ComparisonRows($scope, $scope->measure, $figures);
        $slices = Slices::planned($scope, $figures, $made, $scope->question->where, true);
        $periods = self::periods($scope);
        $trends = [];
        foreach (Panels::of($scope, $figures, $made, $slices->reach(), $scope->question->where) as $panel) {
            foreach ($slices->of($panel->where) as $slice) {
                $trends[$slice->key->inPanel($panel->key)->id] = new Trend(
                    static fn (): array => self::trend($made, $periods, $slice->sums),
                );
            }
        }

        return $trends;
    }

    /** @return list<FinePeriods> */
    private static function periods(Scope $scope): array
    {
        $fine = $scope->dataset->grain;
        $periods = [];
        foreach ($scope->fine->list as $period) {
            $unit = Grain::Day === $fine ? $period->group(Grain::Month, $scope->dataset->calendar) : $period;
            $periods[$unit->start][] = $period;
        }

        return array_map(static fn (array $list): FinePeriods => new FinePeriods($list), array_values($periods));
    }

    /**
     * @param list<FinePeriods> $periods
     *
     * @return list<?BigDecimal>
     */
    private static function trend(ComparisonRows $made, array $periods, Sums $sums): array
    {
        return array_map(
            static fn (FinePeriods $fine): ?BigDecimal => $made->comparison->shown($fine, $sums),
            $periods,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;

/** When rows would reach their goals, if what comes in goes on at its last rate. */
final class GoalEstimates
{
    /** More rows than these are not asked when each will be reached. */
    private const MOST = 60;

    /**
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    public static function of(
        array $rows,
        Scope $scope,
        Figures $figures,
        ComparisonRows $made,
        Contributions $contributions,
    ): array {
        $isAsked = null === $scope->question->grain() && $contributions->areTold();
        if (!$isAsked || \count($rows) > self::MOST) {
            return $rows;
        }
        $slices = Slices::planned($scope, $figures, $made, $scope->question->where);
        $sumsOf = [];
        foreach (Panels::of($scope, $figures, $made, $slices->reach(), $scope->question->where) as $panel) {
            foreach ($slices->of($panel->where) as $slice) {
                $sumsOf[$slice->key->inPanel($panel->key)->id] = $slice->sums;
            }
        }
        $told = [];
        foreach ($rows as $row) {
            $remaining = $row->values[GoalNumbers::REMAINING] ?? null;
            $sums = $sumsOf[$row->key->id] ?? null;
            $estimate = null === $sums || null === $remaining ? null : $contributions->estimate($sums, $remaining);
            $told[] = null === $estimate ? $row : With::of($row, ['estimate' => $estimate]);
        }

        return $told;
    }
}

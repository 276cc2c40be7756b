<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Time\Grain;

/** Whether the rows add up to their total, by the measure's own rule. */
final class RowSums
{
    /**
     * @param list<Row>                  $rows
     * @param callable(Row): ?BigDecimal $amount
     */
    public static function check(Scope $scope, array $rows, ?BigDecimal $total, callable $amount): Check
    {
        $measure = $scope->measure;
        $words = $scope->rowsWord();
        if (Grouping::Sum !== $measure->grouping) {
            return match ($measure->grouping) {
                Grouping::Ratio => new Check('total-rule', null !== $total, "The total is {$measure->numerator} over {$measure->denominator}, both summed"),
                Grouping::Average => new Check('total-rule', true, 'The total is the mean of the periods'),
                Grouping::Last => new Check('total-rule', true, 'The total is the last period\'s'),
                default => new Check('total-rule', null !== $total, null !== $total ? 'There is one percentage only' : 'There is no total: percentages cannot be added, and their parts are not known'),
            };
        }
        if (null !== $scope->question->cumulate) {
            return self::running($scope, $rows);
        }
        $parts = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart()));
        $sum = Decimals::sum(array_filter(array_map($amount, $parts)));
        $holds = null === $total ? $sum->isZero() : $sum->isEqualTo($total);
        $what = ucfirst($words).(null === $scope->question->each ? '' : ' of all charts');

        return new Check('rows-sum-to-total', $holds, $holds ? "$what add up to the total" : "$what add up to $sum, not to the total");
    }

    /**
     * Each running total is made of the periods' own amounts, wherever all of these are in the chart.
     *
     * @param list<Row> $rows
     */
    private static function running(Scope $scope, array $rows): Check
    {
        $isMoving = Cumulation::Moving === $scope->question->cumulate;
        $own = [];
        foreach (array_filter($rows, static fn (Row $row): bool => $row->role->isPart()) as $row) {
            $start = null === $row->period || $isMoving ? '' : $scope->dataset->calendar->group($row->period, Grain::Year)->key();
            $own["$row->panel/$start"][] = $row;
        }
        foreach ($own as $series) {
            $many = $isMoving && null !== $series[0]->period ? intdiv(12, max(1, $series[0]->period->grain->months())) : \count($series);
            foreach ($series as $i => $row) {
                $parts = array_map(static fn (Row $one): ?BigDecimal => $one->values['own'] ?? null, \array_slice($series, max(0, $i + 1 - $many), min($i + 1, $many)));
                $isAll = $isMoving ? $i + 1 >= $many : null !== $series[0]->period && $series[0]->period->firstDay() === $scope->dataset->calendar->group($series[0]->period, Grain::Year)->firstDay();
                if ($isAll && null !== $row->shown && !Decimals::sum(array_filter($parts))->isEqualTo($row->shown)) {
                    return new Check('running', false, "The running total of {$row->label} is not the sum of its periods");
                }
            }
        }

        return new Check('running', true, $isMoving ? 'Each is the sum of twelve months' : 'Each is the sum of its fiscal year so far');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Checks;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Rows\Scope;

/** Whether the rows add up to their total: what is shown, and the variances against each reference. */
final readonly class RowSums
{
    public function __construct(private Scope $scope, private Comparison $comparison) {}

    /**
     * @param list<Row> $rows
     * @param ?list<string> $added keys of the references whose variances add up; null: all
     */
    public function check(array $rows, Total $total, ?array $added = null): Check
    {
        if (!$this->areAdded()) {
            return $this->rule($total);
        }
        if (null !== $this->scope->question->cumulate) {
            return $this->running($rows);
        }
        $parts = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart()));
        $what = ucfirst($this->scope->rowsWord()).(null === $this->scope->question->each ? '' : ' of all charts');
        $shown = self::sum(
            array_map(static fn (Row $row): BigDecimal|Fraction|null => $row->exact ?? $row->shown, $parts),
        );
        if (!self::isEqual($shown, $total->exact ?? $total->shown)) {
            return new Check('rows-sum-to-total', false, "$what add up to {$this->written($shown)}, not to the total");
        }
        $added ??= array_keys($total->variances);
        foreach (array_intersect_key($total->variances, array_flip($added)) as $code => $variance) {
            $sum = self::sum(array_map(
                static fn (Row $row): BigDecimal|Fraction|null => ($row->variances[$code] ?? null)?->exact,
                $parts,
            ));
            if (!self::isEqual($sum, $variance?->exact)) {
                return new Check(
                    'rows-sum-to-total',
                    false,
                    "The variances of $what add up to {$this->written($sum)}, not to that of the total",
                );
            }
        }

        return new Check('rows-sum-to-total', true, "$what add up to the total");
    }

    /**
     * Over periods only sums are added, over members whatever is added up over them; in charts for each member both.
     */
    private function areAdded(): bool
    {
        $measure = $this->scope->measure;
        $isOverPeriods = null === $this->scope->question->breakdown();
        $isOverMembers = !$isOverPeriods || null !== $this->scope->question->each;

        return !$measure->isRatio()
            && OverMembers::Never !== $measure->overMembers
            && (!$isOverPeriods || Grouping::Sum === $measure->grouping)
            && (!$isOverMembers || OverMembers::Sum === $measure->overMembers);
    }

    /** What the total is, where the rows are not added up. */
    private function rule(Total $total): Check
    {
        $measure = $this->scope->measure;
        $isThere = null !== $total->shown;

        return match (true) {
            $measure->isRatio() => new Check(
                'total-rule', $isThere, "The total is {$measure->numerator} over {$measure->denominator}, both summed",
            ),
            Grouping::Rate === $measure->grouping => new Check(
                'total-rule',
                $isThere,
                $isThere
                    ? 'There is one percentage only'
                    : 'There is no total: percentages cannot be added, and their parts are not known',
            ),
            OverMembers::Never === $measure->overMembers && !$isThere => new Check(
                'total-rule', false, "There is no total: {$measure->name} of several members is never put together",
            ),
            OverMembers::Average === $measure->overMembers && Grouping::Average === $measure->grouping => new Check(
                'total-rule', true, 'The total is the mean of all figures, each counting once',
            ),
            OverMembers::Average === $measure->overMembers => new Check(
                'total-rule', true, 'The total is the mean over members',
            ),
            Grouping::Average === $measure->grouping => new Check(
                'total-rule', true, 'The total is the mean of the periods',
            ),
            default => new Check('total-rule', true, 'The total is the last period\'s'),
        };
    }

    /**
     * Each running total is made of the periods' own amounts, wherever all of these are in the chart.
     *
     * @param list<Row> $rows
     */
    private function running(array $rows): Check
    {
        $isMoving = Cumulation::Moving === $this->scope->question->cumulate;
        $series = [];
        foreach (array_filter($rows, static fn (Row $row): bool => $row->role->isPart()) as $row) {
            $year =
                null === $row->period || $isMoving
                    ? ''
                    : $row->period->group(Grain::Year, $this->scope->dataset->calendar)->key();
            $series[json_encode([$row->key->panel?->id, $year], \JSON_THROW_ON_ERROR)][] = $row;
        }
        foreach ($series as $own) {
            $wrong = $this->maybeWrong($own, $isMoving);
            if (null !== $wrong) {
                return new Check(
                    'running', false, "The running total of {$wrong->label} is not the sum of its periods",
                );
            }
        }

        return new Check(
            'running',
            true,
            $isMoving ? 'Each is the sum of twelve months' : 'Each is the sum of its fiscal year so far',
        );
    }

    /** @param non-empty-list<Row> $rows of one chart, and of one year where the totals start anew with it */
    private function maybeWrong(array $rows, bool $isMoving): ?Row
    {
        $first = $rows[0]->period;
        $many = $isMoving && null !== $first ? intdiv(12, max(1, $first->grain->months())) : \count($rows);
        $startsYear =
            null !== $first
            && $first->firstDay() === $first->group(Grain::Year, $this->scope->dataset->calendar)->firstDay();
        foreach ($rows as $i => $row) {
            $parts = \array_slice($rows, max(0, $i + 1 - $many), min($i + 1, $many));
            $sum = self::sum(array_map(static fn (Row $one): ?BigDecimal => $one->values['own'] ?? null, $parts));
            $areAllThere = $isMoving ? $i + 1 >= $many : $startsYear;
            if ($areAllThere && null !== $row->shown && !self::isEqual($sum, $row->shown)) {
                return $row;
            }
        }

        return null;
    }

    /** @param list<BigDecimal|Fraction|null> $amounts */
    private static function sum(array $amounts): BigDecimal|Fraction
    {
        $amounts = array_values(
            array_filter($amounts, static fn (BigDecimal|Fraction|null $amount): bool => null !== $amount),
        );
        $decimals = array_values(
            array_filter($amounts, static fn (BigDecimal|Fraction $amount): bool => $amount instanceof BigDecimal),
        );
        if (\count($decimals) === \count($amounts)) {
            return Decimals::sum($decimals);
        }

        return array_reduce(
            $amounts,
            static fn (Fraction $sum, BigDecimal|Fraction $next): Fraction => $sum->plus($next),
            Fraction::from(BigDecimal::zero()),
        );
    }

    private static function isEqual(BigDecimal|Fraction $sum, BigDecimal|Fraction|null $total): bool
    {
        return match (true) {
            null === $total => $sum->isZero(),
            $sum instanceof BigDecimal && $total instanceof BigDecimal => $sum->isEqualTo($total),
            default => Fraction::from($sum)->isEqualTo($total),
        };
    }

    private function written(BigDecimal|Fraction $sum): string
    {
        return $this->comparison->rounding()->of($sum)->toString();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\Decimals;

/** What is used, what is not, and of how much: row by row, with the rate and its target. */
final readonly class CapacityRows
{
    /** @var array<string, ComparisonRows> by part */
    private array $parts;

    /** @param array<string, Measure> $measures two or three of `used`, `unused`, `total` */
    public function __construct(private Scope $scope, array $measures)
    {
        $this->parts = array_map(static fn (Measure $measure): ComparisonRows => new ComparisonRows($scope, $measure), $measures);
    }

    /** @param ?bool $onTotal whether the target is one of the total; else of what is used; none where there is none */
    public function row(Slice $slice, string $panel, ?bool $onTotal): Row
    {
        $rows = array_map(static fn (ComparisonRows $rows): Row => $rows->row($slice, $panel), $this->parts);
        $model = $rows[array_key_first($rows)];
        [$used, $unused, $total] = self::three(array_map(static fn (Row $row): ?BigDecimal => $row->shown, $rows));
        [$targetUsed, , $targetTotal] = $this->targets($rows);
        $rate = null === $used || null === $total ? null : Decimals::rate($used, $total);
        $target = null === $onTotal ? null : ($onTotal ? $targetTotal : $targetUsed);
        $whole = true === $onTotal ? $targetTotal : $total;
        $rateTarget = $this->scope->question->target ?? (null === $targetUsed || null === $whole ? null : Decimals::rate($targetUsed, $whole));
        $isShown = null !== $used && null !== $total;
        $flag = $this->scope->question->flag;

        return new Row($model->key, $model->label, $model->name, ['used' => $used, 'unused' => $unused, 'total' => $total, 'target' => $target, 'rate' => $rate, 'rateTarget' => $rateTarget], $isShown ? $used : null, $isShown ? $model->shownScenario : null, [
            'target' => Variance::maybe(true === $onTotal ? $total : $used, $target, $this->scope->better, $flag),
            'rateTarget' => Variance::maybe($rate, $rateTarget, $this->scope->better, $flag, true),
        ], $model->role, $model->period, $model->depth, $panel);
    }

    /** Whether the reference has figures of the total; of what is used; none of either. */
    public function isTargetOnTotal(Slice $slice): ?bool
    {
        [$used, , $total] = $this->targets(array_map(static fn (ComparisonRows $rows): Row => $rows->row($slice, ''), $this->parts));

        return null !== $total ? true : (null !== $used ? false : null);
    }

    /**
     * The third is what the other two leave.
     *
     * @param array<string, ?BigDecimal> $told
     *
     * @return array{?BigDecimal, ?BigDecimal, ?BigDecimal} used, unused, total
     */
    public static function three(array $told): array
    {
        $used = $told['used'] ?? null;
        $unused = $told['unused'] ?? null;
        $total = $told['total'] ?? null;

        return [
            $used ?? (null === $total || null === $unused ? null : $total->minus($unused)),
            $unused ?? (null === $total || null === $used ? null : $total->minus($used)),
            $total ?? (null === $used || null === $unused ? null : $used->plus($unused)),
        ];
    }

    /**
     * @param array<string, Row> $rows
     *
     * @return array{?BigDecimal, ?BigDecimal, ?BigDecimal}
     */
    private function targets(array $rows): array
    {
        $code = ($this->scope->question->against[0] ?? null)->value ?? '';

        return self::three(array_map(static fn (Row $row): ?BigDecimal => $row->values[$code] ?? null, $rows));
    }
}

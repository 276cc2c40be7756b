<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Time\Period;

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
        $both = $this->withBoth($slice);
        $parts = fn (callable $amount): array => self::three(array_map($amount, $this->parts));
        [$used, $unused, $total] = $parts(static fn (ComparisonRows $rows): ?BigDecimal => $rows->shown($both));
        $own = null === $this->scope->question->cumulate ? [] : ['own' => $parts(static fn (ComparisonRows $rows): ?BigDecimal => $rows->own($both))[0]];
        [$targetUsed, , $targetTotal] = $this->targets($both);
        $isShown = null !== $used && null !== $total;
        $model = ComparisonRows::of($slice, $panel, [], null, $this->parts[array_key_first($this->parts)]->over($slice->sums)->scenarioOf($both->own), []);

        return $this->made($model, [
            'used' => $used, 'unused' => $unused, 'total' => $total,
            'target' => null === $onTotal ? null : ($onTotal ? $targetTotal : $targetUsed),
            'rate' => null, 'rateTarget' => null, ...$own,
            'targetUsed' => $targetUsed, 'targetWhole' => true === $onTotal ? $targetTotal : (null === $targetUsed ? null : $total),
        ], $isShown, $onTotal);
    }

    /**
     * All rows together: of rates the parts are summed first, over rows that have them.
     *
     * @param list<Row> $rows
     */
    public function whole(Row $model, array $rows, ?bool $onTotal): Row
    {
        $parts = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart() && null !== $row->shown));
        $held = array_values(array_filter($parts, static fn (Row $row): bool => null !== ($row->values['targetUsed'] ?? null) && null !== ($row->values['targetWhole'] ?? null)));
        $sum = static fn (array $of, string $key): ?BigDecimal => [] === $of ? null : Decimals::sum(array_values(array_filter(array_map(static fn (Row $row): ?BigDecimal => $row->values[$key] ?? null, $of))));

        return $this->made($model, [
            'used' => $sum($parts, 'used'), 'unused' => $sum($parts, 'unused'), 'total' => $sum($parts, 'total'),
            'target' => null === $onTotal ? null : $sum(array_values(array_filter($parts, static fn (Row $row): bool => null !== ($row->values['target'] ?? null))), 'target'),
            'rate' => null, 'rateTarget' => null,
            'targetUsed' => $sum($held, 'targetUsed'), 'targetWhole' => $sum($held, 'targetWhole'),
        ], [] !== $parts, $onTotal);
    }

    /** @param array<string, ?BigDecimal> $values */
    private function made(Row $model, array $values, bool $isShown, ?bool $onTotal): Row
    {
        $rate = static fn (string $part, string $of): ?BigDecimal => null === $values[$part] || null === $values[$of] ? null : Decimals::rate($values[$part], $values[$of]);
        $values = array_replace($values, ['rate' => $rate('used', 'total'), 'rateTarget' => $this->scope->question->target ?? $rate('targetUsed', 'targetWhole')]);
        $flag = $this->scope->question->flag;

        return new Row($model->key, $model->label, $model->name, $values, $isShown ? $values['used'] : null, $isShown ? $model->shownScenario : null, [
            'target' => Variance::maybe(true === $onTotal ? $values['total'] : $values['used'], $values['target'], $this->scope->better, $flag),
            'rateTarget' => Variance::maybe($values['rate'], $values['rateTarget'], $this->scope->better, $flag, true),
        ], $model->role, $model->period, $model->depth, $model->panel);
    }

    /** Only periods that have all the parts: a rate of what is used in three months to the room of two would be none. */
    private function withBoth(Slice $slice): Slice
    {
        $shows = function (Period $period) use ($slice): bool {
            foreach ($this->parts as $rows) {
                if (!$rows->over($slice->sums)->shows($period)) {
                    return false;
                }
            }

            return true;
        };

        return new Slice($slice->key, $slice->label, $slice->name, $slice->role, array_values(array_filter($slice->fine, $shows)), array_values(array_filter($slice->own, $shows)), $slice->sums, $slice->period, $slice->member, $slice->depth);
    }

    /** Whether the reference has figures of the total; of what is used; none of either. */
    public function isTargetOnTotal(Slice $slice): ?bool
    {
        [$used, , $total] = $this->targets($slice);

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

    /** @return array{?BigDecimal, ?BigDecimal, ?BigDecimal} used, unused, total of the reference */
    private function targets(Slice $slice): array
    {
        $reference = $this->scope->question->against[0] ?? null;

        return null === $reference ? [null, null, null] : self::three(array_map(static fn (ComparisonRows $rows): ?BigDecimal => $rows->value($slice, $reference), $this->parts));
    }
}

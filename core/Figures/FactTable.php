<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;

/**
 * Figures held in memory. Every key stands once. Short amounts with equally many decimals are added as whole numbers,
 * which is exact and fast; others as decimals. A sum has no more decimals than its amounts.
 */
final readonly class FactTable implements Figures
{
    private const SAFE_DIGITS = 17;

    /** @var array<string, list<array{string, int, list<string>, int|BigDecimal, non-negative-int}>> scenario code, period start, members, amount, its decimals; by measure */
    private array $rows;
    /** Over all members, which most questions are about. */
    private Sums $totals;

    /** @param list<Fact> $facts */
    public function __construct(private Dataset $dataset, public array $facts)
    {
        $rows = [];
        foreach ($facts as $fact) {
            $digits = $fact->amount->getUnscaledValue()->toString();
            $rows[$fact->measure][] = [$fact->scenario->value, $fact->period->start, $fact->members, \strlen($digits) > self::SAFE_DIGITS ? $fact->amount : (int) $digits, $fact->amount->getScale()];
        }
        $this->rows = $rows;
        $this->totals = $this->added(array_map(strval(...), array_keys($rows)), []);
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        return [] === $where ? $this->totals : $this->added($measures, $where);
    }

    /**
     * @param list<string>       $measures
     * @param list<MemberFilter> $where
     */
    private function added(array $measures, array $where): Sums
    {
        $places = array_flip(array_map(static fn (Dimension $breakdown): string => $breakdown->name, $this->dataset->breakdowns));
        $sums = new Sums();
        foreach (array_unique($measures) as $measure) {
            $whole = [];
            foreach ($this->rows[$measure] ?? [] as [$scenario, $start, $members, $amount, $scale]) {
                foreach ($where as $filter) {
                    if (!$filter->lets($members[$places[$filter->breakdown]])) {
                        continue 2;
                    }
                }
                [$sum, $count, $common] = $whole[$scenario][$start] ?? [0, 0, $scale];
                if ($amount instanceof BigDecimal) {
                    $sums->add($measure, Scenario::from($scenario), $start, $amount);
                } elseif ($scale === $common && self::isWhole($sum + $amount)) {
                    $whole[$scenario][$start] = [$sum + $amount, $count + 1, $scale];
                } else {
                    $sums->add($measure, Scenario::from($scenario), $start, BigDecimal::ofUnscaledValue($amount, $scale));
                }
            }
            foreach ($whole as $scenario => $periods) {
                foreach ($periods as $start => [$sum, $count, $scale]) {
                    $sums->add($measure, Scenario::from($scenario), $start, BigDecimal::ofUnscaledValue($sum, $scale), $count);
                }
            }
        }

        return $sums;
    }

    /** Whether a sum is still exact: one that is too large has become a floating point number. */
    private static function isWhole(mixed $sum): bool
    {
        return \is_int($sum);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;

/**
 * Figures held in memory. Every key stands once. Amounts are added as whole numbers of their measure's last decimal,
 * which is exact; those too large for that are added as decimals.
 */
final readonly class FactTable implements Figures
{
    private const SAFE_DIGITS = 17;

    /** @var array<string, list<array{string, int, list<string>, int|BigDecimal}>> scenario code, period start, members, amount, by measure */
    private array $rows;

    /** @param list<Fact> $facts */
    public function __construct(private Dataset $dataset, public array $facts)
    {
        $scales = self::scales($dataset);
        $rows = [];
        foreach ($facts as $fact) {
            $digits = $fact->amount->toScale($scales[$fact->measure])->getUnscaledValue()->toString();
            $rows[$fact->measure][] = [$fact->scenario->value, $fact->period->start, $fact->members, \strlen($digits) > self::SAFE_DIGITS ? $fact->amount : (int) $digits];
        }
        $this->rows = $rows;
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        $places = array_flip(array_map(static fn (Dimension $breakdown): string => $breakdown->name, $this->dataset->breakdowns));
        $scales = self::scales($this->dataset);
        $sums = new Sums();
        foreach (array_unique($measures) as $measure) {
            $whole = [];
            foreach ($this->rows[$measure] ?? [] as [$scenario, $start, $members, $amount]) {
                foreach ($where as $filter) {
                    if (!$filter->lets($members[$places[$filter->breakdown]])) {
                        continue 2;
                    }
                }
                [$sum, $count] = $whole[$scenario][$start] ?? [0, 0];
                if ($amount instanceof BigDecimal) {
                    $sums->add($measure, Scenario::from($scenario), $start, $amount);
                } elseif (self::isWhole($sum + $amount)) {
                    $whole[$scenario][$start] = [$sum + $amount, $count + 1];
                } else {
                    $sums->add($measure, Scenario::from($scenario), $start, BigDecimal::ofUnscaledValue($amount, $scales[$measure]));
                }
            }
            foreach ($whole as $scenario => $periods) {
                foreach ($periods as $start => [$sum, $count]) {
                    $sums->add($measure, Scenario::from($scenario), $start, BigDecimal::ofUnscaledValue($sum, $scales[$measure]), $count);
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

    /** @return array<string, non-negative-int> decimals by measure */
    private static function scales(Dataset $dataset): array
    {
        return array_column($dataset->measures, 'decimals', 'name');
    }
}

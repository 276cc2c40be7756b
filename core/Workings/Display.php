<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Finish;

/** How this chart's numbers are written: one unit for all, rounded for showing only. */
final readonly class Display
{
    /**
     * @param non-negative-int $decimals
     * @param non-negative-int $varianceDecimals
     */
    private function __construct(
        public Unit $unit,
        public int $decimals,
        public int $varianceDecimals,
        public NumberFormat $format,
        public string $measuredIn,
        public bool $inPoints,
    ) {
    }

    /** @param list<Row> $rows */
    public static function of(Measure $measure, Finish $finish, array $rows): self
    {
        $format = NumberFormat::of($finish->locale);
        $largest = self::largest($rows, static fn (Row $row): array => [$row->shown, ...array_values($row->values)]);
        if ($measure->isInPercent()) {
            $decimals = max(0, $finish->decimals ?? 1);

            return new self(Unit::One, $decimals, $decimals, $format, '%', true);
        }
        $unit = $finish->unit ?? Unit::fitting($largest);
        $decimals = max(0, $finish->decimals ?? $unit->decimalsFor($largest, $measure->decimals));
        $variance = self::largest($rows, static fn (Row $row): array => array_map(static fn (?Variance $v): ?BigDecimal => $v?->amount, array_values($row->variances)));
        $isFine = null === $finish->decimals && !$variance->isZero() && $unit->of($variance)->isLessThan(10);

        return new self($unit, $decimals, $isFine ? min($decimals + 1, $measure->decimals + $unit->exponent()) : $decimals, $format, $measure->unit, false);
    }

    public function amount(?BigDecimal $amount): string
    {
        return $this->format->plain(null === $amount ? null : $this->unit->of($amount), $this->decimals);
    }

    public function variance(?BigDecimal $amount): string
    {
        return $this->format->signed(null === $amount ? null : $this->unit->of($amount), $this->varianceDecimals);
    }

    /** `+1.2`, without the percent sign, as it stands in a tier that says `%` */
    public function percent(?Variance $variance): string
    {
        return $this->format->signed($variance?->percent(1), 1);
    }

    /** `k EUR`, `%`, `k` */
    public function unitText(): string
    {
        return $this->unit->with($this->measuredIn);
    }

    /**
     * @param list<Row>                        $rows
     * @param callable(Row): list<?BigDecimal> $amounts
     */
    private static function largest(array $rows, callable $amounts): BigDecimal
    {
        $largest = BigDecimal::zero();
        foreach ($rows as $row) {
            foreach ($amounts($row) as $amount) {
                $largest = null === $amount ? $largest : Decimals::larger($largest, $amount->abs());
            }
        }

        return $largest;
    }
}

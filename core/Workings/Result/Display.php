<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/** How this chart's numbers are written: one unit for all, rounded for showing only. */
final readonly class Display
{
    /** Decimals that an average has more than its amounts. */
    private const OF_AVERAGES = 2;

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
    ) {}

    /** @param list<Row> $rows */
    public static function of(Measure $measure, Finish $finish, array $rows): self
    {
        $amounts = $variances = [];
        foreach ($rows as $row) {
            $amounts[] = $row->shown;
            foreach ($row->values as $value) {
                $amounts[] = $value;
            }
            foreach ($row->variances as $variance) {
                $variances[] = $variance?->amount;
            }
        }

        return self::fitting($measure, $finish, $amounts, $variances);
    }

    /**
     * @param list<?BigDecimal> $amounts
     * @param list<?BigDecimal> $variances
     */
    public static function fitting(Measure $measure, Finish $finish, array $amounts, array $variances): self
    {
        $format = NumberFormat::of($finish->locale);
        if ($measure->isInPercent()) {
            return self::inPercent($finish);
        }
        $largest = Decimals::largestSize($amounts);
        $unit = $finish->unit ?? Unit::fitting($largest);
        $known = self::knownDecimals($measure, $amounts);
        $decimals = max(0, $finish->decimals ?? $unit->decimalsFor($largest, $known));
        $variance = Decimals::largestSize($variances);
        $isFine = null === $finish->decimals && !$variance->isZero() && $unit->of($variance)->isLessThan(10);

        return new self(
            unit: $unit,
            decimals: $decimals,
            varianceDecimals: $isFine ? min($decimals + 1, $known + $unit->exponent()) : $decimals,
            format: $format,
            measuredIn: $measure->unit,
            inPoints: false,
        );
    }

    /**
     * Decimals that say something: those that the amounts came with; of averages up to two more, where they have them.
     *
     * @param list<?BigDecimal> $amounts
     *
     * @return non-negative-int
     */
    private static function knownDecimals(Measure $measure, array $amounts): int
    {
        $isAveraged = Grouping::Average === $measure->grouping || OverMembers::Average === $measure->overMembers;
        if (!$isAveraged) {
            return $measure->decimals;
        }
        $scales = array_map(
            static fn (?BigDecimal $amount): int => $amount?->strippedOfTrailingZeros()->getScale() ?? 0,
            $amounts,
        );

        return max($measure->decimals, min($measure->decimals + self::OF_AVERAGES, max(0, 0, ...$scales)));
    }

    /** Of rates and their variances in points. */
    public static function inPercent(Finish $finish): self
    {
        $decimals = max(0, $finish->decimals ?? 1);

        return new self(
            unit: Unit::One,
            decimals: $decimals,
            varianceDecimals: $decimals,
            format: NumberFormat::of($finish->locale),
            measuredIn: '%',
            inPoints: true,
        );
    }

    /** In the unit, with so many decimals. */
    public function plain(?BigDecimal $amount, int $decimals): string
    {
        return $this->format->plain($amount, max(0, $decimals), $this->unit);
    }

    public function signed(?BigDecimal $amount, int $decimals): string
    {
        return $this->format->signed($amount, max(0, $decimals), $this->unit);
    }

    public function amount(?BigDecimal $amount): string
    {
        return $this->plain($amount, $this->decimals);
    }

    public function variance(?BigDecimal $amount): string
    {
        return $this->signed($amount, $this->varianceDecimals);
    }

    /** `+1.2`, without the percent sign, as it stands in a tier that says `%` */
    public function percent(?Variance $variance): string
    {
        return $this->format->signed($variance?->percent(1), 1);
    }

    /** How a variance is coloured: one that is written as nought is neither good nor bad. */
    public function effect(Variance $variance): Effect
    {
        return NumberFormat::isNought($this->variance($variance->amount)) ? Effect::Neutral : $variance->effect;
    }

    /** How the variance in percent is coloured. */
    public function percentEffect(Variance $variance): Effect
    {
        return NumberFormat::isNought($this->percent($variance)) ? Effect::Neutral : $variance->effect;
    }

    /** How the number of a column is coloured; null where it is no variance. */
    public function effectOf(Column $column, ?Variance $variance): ?Effect
    {
        return match (true) {
            null === $variance || !$column->form->isOfVariance() => null,
            ColumnForm::Percent === $column->form => $this->percentEffect($variance),
            default => $this->effect($variance),
        };
    }

    /** A number of the workings as readers see it. */
    public function cell(ColumnForm $form, ?BigDecimal $number): string
    {
        return match ($form) {
            ColumnForm::Amount => $this->amount($number),
            ColumnForm::Variance, ColumnForm::Change => $this->variance($number),
            ColumnForm::Rate => $this->format->plain($number, $this->inPoints ? $this->decimals : 1),
            ColumnForm::Points => $this->format->signed($number, $this->inPoints ? $this->varianceDecimals : 1),
            ColumnForm::Percent => $this->format->signed($number, 1),
            ColumnForm::Band => NumberFormat::NONE,
        };
    }

    /** A number of a row or a total, rounded once. */
    public function told(Column $column, Row|Total $of): string
    {
        return $column->text($of) ??
            (ColumnForm::Percent === $column->form
                ? $this->percent($of->variances[$column->key] ?? null)
                : $this->cell($column->form, $column->number($of)));
    }

    /** What amounts count: `EUR`, `% points`. */
    public function counted(): string
    {
        return $this->measuredIn.($this->inPoints ? ' points' : '');
    }

    /** `k EUR`, `%`, `k` */
    public function unitText(): string
    {
        return $this->unit->with($this->measuredIn);
    }
}

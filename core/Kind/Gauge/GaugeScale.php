<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Gauge;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Scale\RoundNumber;
use KeenMargin\Core\Question\Finish\ScaleEnds;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;

/** Which amounts the ends of all half rings stand for. */
final readonly class GaugeScale
{
    private const DEGREES = 180.0;
    private const PERCENT = 100.0;
    /** Digits of a found end, which is a round number. */
    private const DIGITS = 10;

    private function __construct(public BigDecimal $from, public BigDecimal $to) {}

    /**
     * As told, else found: from nought, or from the lowest number where that is less; to the last limit of the bands,
     * to 100 of percentages, or to a round number beyond the largest.
     *
     * @param list<Row> $rows
     * @param ?float $most degrees of one of the unit that other charts leave; null: there are none
     */
    public static function of(array $rows, ScaleEnds $ends, bool $isInPercent, ?float $most = null): self
    {
        $from = $ends->from ?? self::decimal(self::least($rows));
        $to = $ends->to ?? (self::maybeLastLimit($rows) ?? self::decimal(self::most($rows, $isInPercent)));
        if ($to->isLessThanOrEqualTo($from)) {
            // Only one end was told, and all numbers lie beyond it.
            $isFromTold = null !== $ends->from;

            return new self($isFromTold ? $from : $to->minus(1), $isFromTold ? $from->plus(1) : $to);
        }

        $isWide = null !== $most && $most > 0.0 && self::DEGREES / $to->minus($from)->toFloat() > $most;

        return new self($from, $isWide && $from->isZero() ? self::decimal(self::DEGREES / $most) : $to);
    }

    /** Degrees from the left end; beyond an end that of the end. */
    public function angle(BigDecimal $amount): float
    {
        $share = $amount->minus($this->from)->toFloat() / $this->to->minus($this->from)->toFloat();

        return self::DEGREES * max(0.0, min(1.0, $share));
    }

    /** May lie before the left end, where the scale begins above nought. */
    public function degreesOfNought(): float
    {
        return -$this->from->toFloat() * $this->degreesPerUnit();
    }

    public function degreesPerUnit(): float
    {
        return self::DEGREES / $this->span();
    }

    public function span(): float
    {
        return $this->to->minus($this->from)->toFloat();
    }

    public function isBelow(BigDecimal $amount): bool
    {
        return $amount->isLessThan($this->from);
    }

    public function isBeyond(BigDecimal $amount): bool
    {
        return $amount->isGreaterThan($this->to);
    }

    /** @param list<Row> $rows */
    private static function least(array $rows): float
    {
        return RoundNumber::upTo(min([0.0, ...self::numbers($rows)]));
    }

    /**
     * The last limit of bands that end there; the greatest where each row has its own.
     *
     * @param list<Row> $rows
     *
     * @return ?BigDecimal null where a row has none, or it is not above nought
     */
    private static function maybeLastLimit(array $rows): ?BigDecimal
    {
        $greatest = null;
        foreach ($rows as $row) {
            if (null === $row->bands || $row->bands->isOpen()) {
                return null;
            }
            $last = $row->bands->limits[\count($row->bands->limits) - 1];
            $greatest = null === $greatest || $last->isGreaterThan($greatest) ? $last : $greatest;
        }

        return true === $greatest?->isPositive() ? $greatest : null;
    }

    /** @param list<Row> $rows */
    private static function most(array $rows, bool $isInPercent): float
    {
        $most = max([0.0, ...self::numbers($rows)]);
        $isWithin = $isInPercent && $most <= self::PERCENT;

        return $isWithin ? self::PERCENT : (0.0 === $most ? self::empty($rows) : RoundNumber::from($most));
    }

    /**
     * Where no number lies above nought.
     *
     * @param list<Row> $rows
     */
    private static function empty(array $rows): float
    {
        return self::least($rows) < 0.0 ? 0.0 : 1.0;
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<float> values, targets and limits of bands
     */
    private static function numbers(array $rows): array
    {
        $numbers = [];
        foreach ($rows as $row) {
            foreach ([$row->shown, $row->values[TargetedRows::TARGET] ?? null, ...$row->bands->limits ?? []] as $one) {
                null === $one || ($numbers[] = $one->toFloat());
            }
        }

        return $numbers;
    }

    private static function decimal(float $number): BigDecimal
    {
        return BigDecimal::of(\sprintf('%.'.self::DIGITS.'g', $number))->strippedOfTrailingZeros();
    }
}

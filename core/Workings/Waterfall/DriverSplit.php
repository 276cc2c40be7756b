<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Number\Fraction;

/**
 * Splits the change of a value that is volume × rate into what drives it, over the members that both sides have; V and
 * R are volume and value, without i those of all these members together:
 *
 * - volume: (V1 − V0) ÷ V0 × R0; of member i (V1 − V0) ÷ V0 × R0i
 * - mix of i: V1i × R0i ÷ V0i − V1 ÷ V0 × R0i
 * - rate of i: R1i − V1i × R0i ÷ V0i; of it currency: R1i × (1 − x0i ÷ x1i) with the exchange rates x, price the rest
 *
 * Members without volume on side 0 are new, those without volume on side 1 are gone: their change is a step of its own.
 * All is computed in fractions; volume, rate and currency are rounded to the value's decimals, and mix takes what
 * rounding left, so that the parts add up to the last digit. Where the volumes of side 0 come to nought, volume cannot
 * be told from mix, which has both.
 */
final readonly class DriverSplit
{
    /**
     * @param array<string|int, DriverEffects> $both by member
     * @param array<string|int, BigDecimal> $new changes by member
     * @param array<string|int, BigDecimal> $gone changes by member
     * @param bool $isVolumeTold whether volume and mix can be told apart
     */
    private function __construct(
        public array $both,
        public array $new,
        public array $gone,
        public bool $isVolumeTold,
    ) {}

    /**
     * @param array<string|int, DriverFigures> $figures by member
     * @param non-negative-int $decimals of the value
     */
    public static function of(array $figures, int $decimals): self
    {
        $common = array_filter($figures, static fn (DriverFigures $one): bool => !$one->isNew() && !$one->isGone());
        $sum = static fn (\Closure $of): BigDecimal => array_reduce(
            $common,
            static fn (BigDecimal $sum, DriverFigures $one): BigDecimal => $sum->plus($of($one)),
            BigDecimal::zero(),
        );
        $volume0 = $sum(static fn (DriverFigures $one): BigDecimal => $one->volume0);
        $growth = $sum(static fn (DriverFigures $one): BigDecimal => $one->volume1)->minus($volume0);
        $both = [];
        $value = BigDecimal::zero();
        $placed = BigDecimal::zero();
        foreach ($common as $member => $one) {
            // The running sum is rounded, so that the members' parts add up to the rounded whole.
            $value = $value->plus($one->value0);
            $upTo = $volume0->isZero()
                ? BigDecimal::zero()
                : self::rounded(Fraction::of($growth->multipliedBy($value), $volume0), $decimals);
            $both[$member] = self::effects($one, $upTo->minus($placed), $decimals);
            $placed = $upTo;
        }
        $changes = static fn (array $of): array => array_map(
            static fn (DriverFigures $one): BigDecimal => $one->change(),
            $of,
        );

        return new self(
            $both,
            $changes(array_filter($figures, static fn (DriverFigures $one): bool => $one->isNew())),
            $changes(array_filter($figures, static fn (DriverFigures $one): bool => $one->isGone())),
            !$volume0->isZero() || [] === $common,
        );
    }

    /**
     * @param BigDecimal $volume of the member, rounded
     * @param non-negative-int $decimals
     */
    private static function effects(DriverFigures $one, BigDecimal $volume, int $decimals): DriverEffects
    {
        $atOldRate = Fraction::of($one->volume1->multipliedBy($one->value0), $one->volume0);
        $rate = self::rounded(Fraction::from($one->value1)->minus($atOldRate), $decimals);
        $currency = self::currency($one, $decimals);
        $mix = $one->change()->minus($volume)->minus($rate);

        return new DriverEffects($volume, $mix, $rate->minus($currency), $currency);
    }

    /** @param non-negative-int $decimals */
    private static function currency(DriverFigures $one, int $decimals): BigDecimal
    {
        if (null === $one->rate0 || null === $one->rate1 || 0 === $one->rate1->getSign()) {
            return BigDecimal::zero();
        }
        [$old, $new] = [Fraction::from($one->rate0), Fraction::from($one->rate1)];
        // R1 × (x1 − x0) ÷ x1
        $moved = $new->minus($old);
        $numerator = $one->value1->multipliedBy($moved->numerator)->multipliedBy($new->denominator);

        return self::rounded(Fraction::of($numerator, $moved->denominator->multipliedBy($new->numerator)), $decimals);
    }

    /** @param non-negative-int $decimals */
    private static function rounded(Fraction $exact, int $decimals): BigDecimal
    {
        return $exact->numerator->dividedBy($exact->denominator, $decimals, RoundingMode::HalfUp);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;

/** How far a value is on its way to a goal: `percent`, `remaining`, `over`, `pace`, `behind`, `needed`. */
final readonly class GoalNumbers
{
    /** Keys of a row's values. */
    public const GOAL = 'goal';
    public const PERCENT = 'percent';
    public const REMAINING = 'remaining';
    public const OVER = 'over';
    public const PACE = 'pace';
    public const BEHIND = 'behind';
    public const NEEDED = 'needed';

    /**
     * @param ?BigDecimal $goal null: there is none
     * @param BigDecimal|Fraction|null $pace where the value should stand
     * @param int $left periods in which it can still be reached
     * @param bool $isLimit whether the goal is a limit: `behind` is then what lies above the pace
     *
     * @return array<string, ?BigDecimal> percentages in percent; null where there is no goal, or one of nought or below
     */
    public static function of(
        BigDecimal|Fraction|null $value,
        ?BigDecimal $goal,
        BigDecimal|Fraction|null $pace,
        int $left,
        bool $isLimit = false,
    ): array {
        if (null === $goal || $goal->getSign() <= 0 || null === $value) {
            $none = [self::PERCENT, self::REMAINING, self::OVER, self::PACE, self::BEHIND, self::NEEDED];

            return [self::GOAL => $goal, ...array_fill_keys($none, null)];
        }
        $rounding = new Rounding(strips: true);
        $nothing = BigDecimal::zero();
        $exact = Fraction::from($value);
        $remaining = Fraction::from($goal)->minus($exact);
        $isLeft = $remaining->getSign() > 0;
        $behind = null === $pace ? null : Fraction::from($pace)->minus($exact);
        $behind = $isLimit ? $behind?->negated() : $behind;
        $isBehind = null !== $behind && $behind->getSign() > 0;
        $needed = $isLeft && $left > 0 && !$isLimit
            ? Fraction::of($remaining->numerator, $remaining->denominator->multipliedBy($left))
            : null;
        $percent = Fraction::of($exact->numerator->multipliedBy(100), $exact->denominator->multipliedBy($goal));

        return [
            self::GOAL => $goal,
            self::PERCENT => $percent->rounded(Decimals::PERCENT_SCALE),
            self::REMAINING => $isLeft ? $rounding->of(self::plain($remaining)) : $nothing,
            self::OVER => $isLeft ? $nothing : $rounding->of(self::plain($remaining->negated())),
            self::PACE => $rounding->of($pace),
            self::BEHIND => $isBehind ? $rounding->of(self::plain($behind)) : (null === $behind ? null : $nothing),
            self::NEEDED => $rounding->of($needed),
        ];
    }

    /** Why there is no percentage: `no goal`, `a goal of nought`, `a goal below nought`. */
    public static function whyNone(?BigDecimal $goal): string
    {
        return match ($goal?->getSign()) {
            null => 'no goal',
            0 => 'a goal of nought',
            default => 'a goal below nought',
        };
    }

    /** A decimal stays one, with the digits that it came with. */
    private static function plain(Fraction $number): BigDecimal|Fraction
    {
        return $number->denominator->isEqualTo(1) ? $number->numerator : $number;
    }
}

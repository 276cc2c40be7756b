<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;

/** How a number of the workings follows from others. */
enum DerivationRule
{
    /** the same as another */
    case Same;
    /** the first minus the second */
    case Minus;
    /** the first in percent of the size of the second, as variances are */
    case Percent;
    /** the first in percent of the second, as shares are */
    case Rate;
    /** all together */
    case Sum;
    /** what more volume brings at the old rate: of old and new volume and the old value, (V1 − V0) ÷ V0 × R0 */
    case Volume;
    /** what another rate brings: of old and new volume and value, R1 − V1 × R0 ÷ V0 */
    case RateChange;

    /** @param non-empty-list<BigDecimal> $of */
    public function result(array $of): ?BigDecimal
    {
        $second = $of[1] ?? BigDecimal::zero();

        return match ($this) {
            self::Same => $of[0],
            self::Minus => $of[0]->minus($second),
            self::Percent => Decimals::percent($of[0], $second),
            self::Rate => Decimals::rate($of[0], $second),
            self::Volume => self::maybeVolume($of),
            self::RateChange => self::maybeRateChange($of),
            self::Sum => array_reduce(
                $of,
                static fn (BigDecimal $sum, BigDecimal $next): BigDecimal => $sum->plus($next),
                BigDecimal::zero(),
            ),
        };
    }

    /** @param non-empty-list<BigDecimal> $of V0, V1, R0 */
    private static function maybeVolume(array $of): ?BigDecimal
    {
        return \count($of) < 3 || $of[0]->isZero()
            ? null
            : self::rounded(Fraction::of($of[1]->minus($of[0])->multipliedBy($of[2]), $of[0]), $of[2]);
    }

    /** @param non-empty-list<BigDecimal> $of V0, V1, R0, R1 */
    private static function maybeRateChange(array $of): ?BigDecimal
    {
        return \count($of) < 4 || $of[0]->isZero()
            ? null
            : self::rounded(Fraction::from($of[3])->minus(Fraction::of($of[1]->multipliedBy($of[2]), $of[0])), $of[2]);
    }

    /** To the decimals of an amount. */
    private static function rounded(Fraction $exact, BigDecimal $like): BigDecimal
    {
        return $exact->numerator->dividedBy($exact->denominator, max(0, $like->getScale()), RoundingMode::HalfUp);
    }

    /** Decimals that the result is rounded to, half away from zero; none where it is exact. */
    public function decimals(): ?int
    {
        return match ($this) {
            self::Percent => Decimals::PERCENT_SCALE,
            self::Rate => Decimals::RATE_SCALE,
            default => null,
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Decimals;

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

    /** @param non-empty-list<BigDecimal> $of */
    public function result(array $of): ?BigDecimal
    {
        $second = $of[1] ?? BigDecimal::zero();

        return match ($this) {
            self::Same => $of[0],
            self::Minus => $of[0]->minus($second),
            self::Percent => Decimals::percent($of[0], $second),
            self::Rate => Decimals::rate($of[0], $second),
            self::Sum => array_reduce(
                $of,
                static fn (BigDecimal $sum, BigDecimal $next): BigDecimal => $sum->plus($next),
                BigDecimal::zero(),
            ),
        };
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

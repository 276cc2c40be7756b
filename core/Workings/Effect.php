<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Figures\Better;

/** The sign of a variance read through "better". */
enum Effect: string
{
    case Favourable = 'favourable';
    case Unfavourable = 'unfavourable';
    case Neutral = 'neutral';

    public static function of(BigDecimal|BigRational $variance, Better $better): self
    {
        return match ($variance->getSign() * (Better::More === $better ? 1 : -1)) {
            1 => self::Favourable,
            -1 => self::Unfavourable,
            default => self::Neutral,
        };
    }
}

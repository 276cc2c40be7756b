<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Number\Fraction;

/** The sign of a variance read through "better". */
enum Effect: string
{
    case Favourable = 'favourable';
    case Unfavourable = 'unfavourable';
    case Neutral = 'neutral';

    public static function of(BigDecimal|Fraction $variance, Better $better): self
    {
        return match ($variance->getSign() * (Better::More === $better ? 1 : -1)) {
            1 => self::Favourable,
            -1 => self::Unfavourable,
            default => self::Neutral,
        };
    }
}

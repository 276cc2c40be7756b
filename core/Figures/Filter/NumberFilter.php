<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Filter;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;

/** Keeps the figures whose number in a field lies below a limit, or reaches one: `Completion below 99`. */
final readonly class NumberFilter
{
    /** @param string $field a breakdown whose members are numbers, or a measure that stands beside the figures */
    public function __construct(public string $field, public ?BigDecimal $below, public ?BigDecimal $atLeast) {}

    public function lets(BigDecimal $number): bool
    {
        return (null === $this->below || $number->isLessThan($this->below))
            && (null === $this->atLeast || $number->isGreaterThanOrEqualTo($this->atLeast));
    }

    public function field(): string
    {
        return $this->field;
    }

    /** Which of a breakdown's members are kept; what is no number is left out. */
    public function letsText(string $text): bool
    {
        $number = self::maybeNumber($text);

        return null !== $number && $this->lets($number);
    }

    public static function maybeNumber(string $text): ?BigDecimal
    {
        $plain = trim(str_replace([',', '%', "\u{00A0}"], ['.', '', ''], $text));
        try {
            return 1 === preg_match('/^-?\d{1,18}(\.\d{1,10})?$/D', $plain) ? BigDecimal::of($plain) : null;
        } catch (MathException) {
            return null;
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

use Brick\Math\BigDecimal;

/**
 * The power of ten in which a chart shows its amounts: one for the whole chart.
 */
enum Unit: string
{
    case One = '1';
    case Thousand = 'k';
    case Million = 'm';
    case Billion = 'bn';

    /**
     * Units whose steps are written before them without a space, or that have others above them: `k m` would mean
     * nothing.
     */
    private const WITH_OWN_STEPS = [
        'mm', 'cm', 'm', 'km', 'm²', 'm2', 'km²', 'km2', 'ha', 'm³', 'm3', 'nm', 'mi', 'ft', 'mg', 'g', 'kg', 't', 'kt',
        'lb', 'ml', 'cl', 'dl', 'l', 'hl', 's', 'sec', 'min', 'h', 'hr', 'hrs', 'd', 'w', 'kw', 'mw', 'wh', 'kwh',
        'mwh', 'gwh', 'j', 'kj', 'mj',
    ];

    /** The first unit in which the amount has at most four digits before the decimal sign. */
    public static function fitting(BigDecimal $largest): self
    {
        $size = $largest->abs();
        foreach (self::cases() as $unit) {
            if ($size->isLessThan(BigDecimal::ofUnscaledValue(1, -$unit->exponent() - 4))) {
                return $unit;
            }
        }

        return self::Billion;
    }

    /** @return non-negative-int */
    public function exponent(): int
    {
        return match ($this) {
            self::One => 0,
            self::Thousand => 3,
            self::Million => 6,
            self::Billion => 9,
        };
    }

    public function of(BigDecimal $amount): BigDecimal
    {
        return self::One === $this ? $amount : $amount->withPointMovedLeft($this->exponent());
    }

    /**
     * Decimals that give the amount three digits or more: 15,000,000 is 15.0 m. Whole numbers below a thousand need
     * none.
     *
     * @param non-negative-int $known decimals that the amounts came with
     *
     * @return non-negative-int
     */
    public function decimalsFor(BigDecimal $largest, int $known): int
    {
        $whole = Decimals::round($this->of($largest->abs()), 0)->toString();
        $wanted = max(0, 3 - \strlen($whole));

        return min($wanted, $known + $this->exponent());
    }

    /** The unit before a currency or count: `k EUR`, `EUR`, `m`; before one that has steps of its own: `thousand m`. */
    public function with(string $measured): string
    {
        return trim($this->before($measured).' '.$measured);
    }

    /** How it is written where amounts of the measure's unit are told: `k` of `EUR`, `thousand` of `kg`. */
    public function before(string $measured): string
    {
        $hasOwnSteps = \in_array(mb_strtolower($measured), self::WITH_OWN_STEPS, true);

        return match (true) {
            self::One === $this => '',
            $hasOwnSteps => $this->word(),
            default => $this->value,
        };
    }

    private function word(): string
    {
        return match ($this) {
            self::One => 'one',
            self::Thousand => 'thousand',
            self::Million => 'million',
            self::Billion => 'billion',
        };
    }
}

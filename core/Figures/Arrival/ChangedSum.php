<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;

/** Differences added up. */
final readonly class ChangedSum
{
    /**
     * @param BigInteger|int $change with the decimals of the measure; large where it outgrows the machine's integers
     * @param int $cells amounts that change
     */
    public function __construct(public BigInteger|int $change, public int $cells) {}

    public function with(BigInteger|int $change, int $cells): self
    {
        return new self(self::sum($this->change, $change), $this->cells + $cells);
    }

    /** A sum that outgrows the machine's integers becomes a float, which is not exact: then it is added anew. */
    public static function sum(BigInteger|int $one, BigInteger|int $other): BigInteger|int
    {
        $sum = \is_int($one) && \is_int($other) ? $one + $other : null;

        return \is_int($sum) ? $sum : BigInteger::of($one)->plus($other);
    }

    /** @param int $decimals of the measure */
    public function amount(int $decimals): BigDecimal
    {
        return BigDecimal::ofUnscaledValue($this->change, max(0, $decimals));
    }

    /** @param ?BigDecimal $total as it was; null: there was none */
    public function total(?BigDecimal $total, int $decimals): BigDecimal
    {
        return ($total ?? BigDecimal::zero())->plus($this->amount($decimals));
    }

    /** For order alone. */
    public function size(): float
    {
        return abs($this->change instanceof BigInteger ? $this->change->toFloat() : (float) $this->change);
    }
}

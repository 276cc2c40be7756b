<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;

/** Differences added up: sums may outgrow the machine's integers. */
final readonly class ChangedSum
{
    private const SMALL = 4_000_000_000_000_000_000;

    /**
     * @param BigInteger|int $change with the decimals of the measure
     * @param int $cells amounts that change
     */
    public function __construct(public BigInteger|int $change = 0, public int $cells = 0)
    {
    }

    public function and(Difference $difference): self
    {
        $more = $difference->change();
        // A sum that outgrows an integer would become a float, which is not exact.
        $isSmall = \is_int($this->change) && abs($this->change) < self::SMALL && abs($more) < self::SMALL;
        $sum = $isSmall ? $this->change + $more : BigInteger::of($this->change)->plus($more);

        return new self($sum, $this->cells + 1);
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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;

/** Differences added up: a sum may outgrow the machine's integers. */
final class ChangedSum
{
    /** Whole numbers of this size can be added without outgrowing the machine's integers. */
    private const SMALL = 4_000_000_000_000_000_000;

    /** With the decimals of the measure. */
    public BigInteger|int $change = 0;
    /** Amounts that change. */
    public int $cells = 0;

    public function add(int $change): void
    {
        $this->change = $this->with($change);
        ++$this->cells;
    }

    public function addAll(self $other): void
    {
        $this->change = $this->with($other->change);
        $this->cells += $other->cells;
    }

    private function with(BigInteger|int $more): BigInteger|int
    {
        // A sum that outgrows an integer would become a float, which is not exact.
        $isSmall = \is_int($this->change)
            && \is_int($more)
            && abs($this->change) < self::SMALL
            && abs($more) < self::SMALL;

        return $isSmall ? $this->change + $more : BigInteger::of($this->change)->plus($more);
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

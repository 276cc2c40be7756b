<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;

/** How far amounts reach above and below nought. */
final readonly class Extent
{
    private function __construct(public float $above, public float $below)
    {
    }

    /** @param iterable<?BigDecimal> $amounts */
    public static function of(iterable $amounts): self
    {
        $above = $below = 0.0;
        foreach ($amounts as $amount) {
            $size = $amount?->toFloat() ?? 0.0;
            $above = max($above, $size);
            $below = max($below, -$size);
        }

        return new self($above, $below);
    }

    public function length(): float
    {
        return $this->above + $this->below;
    }
}

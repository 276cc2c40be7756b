<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Scale;

use Brick\Math\BigDecimal;

/** How far amounts reach above and below nought. */
final readonly class Extent
{
    private function __construct(public float $above, public float $below) {}

    /** @param array<?BigDecimal> $amounts */
    public static function of(array $amounts): self
    {
        return self::ofSizes(array_map(static fn (?BigDecimal $amount): float => $amount?->toFloat() ?? 0.0, $amounts));
    }

    /** @param array<float> $sizes */
    public static function ofSizes(array $sizes): self
    {
        $above = $below = 0.0;
        foreach ($sizes as $size) {
            $above = max($above, $size);
            $below = max($below, -$size);
        }

        return new self($above, $below);
    }

    /** Both of them, so that several charts can share a scale. */
    public function with(self $other): self
    {
        return new self(max($this->above, $other->above), max($this->below, $other->below));
    }

    public function length(): float
    {
        return $this->above + $this->below;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;

/** How much room labels want beside the ends of bars: points of the widest one below and above nought. */
final readonly class LabelWidths
{
    public function __construct(public float $below, public float $above)
    {
    }

    /**
     * @param list<array{?BigDecimal, string}> $labels amounts and how they are written
     * @param 400|600 $weight
     */
    public static function of(array $labels, int $weight = 400): self
    {
        $below = $above = 0.0;
        foreach ($labels as [$amount, $text]) {
            $width = TextMeasure::width($text, Type::LABEL, $weight);
            if (true === $amount?->isNegative()) {
                $below = max($below, $width);
            } else {
                $above = max($above, $width);
            }
        }

        return new self($below, $above);
    }

    /** @param non-empty-list<self> $all */
    public static function widest(array $all): self
    {
        return new self(
            max(array_map(static fn (self $one): float => $one->below, $all)),
            max(array_map(static fn (self $one): float => $one->above, $all)),
        );
    }

    /** With some points more on both sides. */
    public function plus(float $points): self
    {
        return new self($this->below + $points, $this->above + $points);
    }
}

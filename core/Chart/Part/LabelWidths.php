<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Row;

/** How much room labels want beside the ends of bars: points of the widest one below and above nought. */
final readonly class LabelWidths
{
    public function __construct(public float $below, public float $above) {}

    /**
     * Of rows whose numbers are written with the same decimals, those among which the widest labels are: digits are
     * equally wide, so that it is enough to write the greatest number, the least, and what stands for none.
     *
     * @param list<Row> $rows
     * @param \Closure(Row): ?BigDecimal $number
     *
     * @return list<Row>
     */
    public static function widestOf(array $rows, \Closure $number): array
    {
        $greatest = $least = $none = null;
        [$most, $fewest] = [BigDecimal::zero(), BigDecimal::zero()];
        foreach ($rows as $row) {
            $own = $number($row);
            if (null === $own) {
                $none ??= $row;
                continue;
            }
            if (null === $greatest || Decimals::compare($own, $most) > 0) {
                [$greatest, $most] = [$row, $own];
            }
            if (null === $least || Decimals::compare($own, $fewest) < 0) {
                [$least, $fewest] = [$row, $own];
            }
        }

        return array_values(array_filter([$greatest, $least, $none]));
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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Scene\TextMeasure;

/** How much room labels want beside the ends of bars. */
final class LabelWidths
{
    /**
     * @param list<array{?BigDecimal, string}> $labels amounts and how they are written
     * @param 400|600 $weight
     *
     * @return array{float, float} of those below and above nought
     */
    public static function of(array $labels, int $weight = 400): array
    {
        $widths = [0.0, 0.0];
        foreach ($labels as [$amount, $text]) {
            $side = true === $amount?->isNegative() ? 0 : 1;
            $widths[$side] = max($widths[$side], TextMeasure::width($text, Type::LABEL, $weight));
        }

        return [$widths[0], $widths[1]];
    }
}

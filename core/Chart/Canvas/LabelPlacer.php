<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Canvas;

use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Text;

/**
 * Writes the labels of a tier: all of them, else all with fewer decimals, else only those of the extremes and ends,
 * and of these only where nothing is in the way.
 */
final class LabelPlacer
{
    /** At most this part of the amounts may be written as nought where they are not. */
    private const NOUGHTS = 1 / 3;

    /** @param array<int, PlacedLabel> $labels by place on the axis */
    public static function place(Canvas $canvas, string $group, array $labels, Labels $wanted): void
    {
        if ([] === $labels || Labels::None === $wanted) {
            return;
        }
        $levels = 1 + max(array_map(static fn (PlacedLabel $label): int => $label->decimals, $labels));
        for ($level = 0; $level < $levels && Labels::All === $wanted && self::tells($labels, $level); ++$level) {
            $texts = self::maybeAll($canvas, $labels, $level);
            if (null !== $texts) {
                foreach ($texts as $text) {
                    $canvas->write($group, $text);
                }

                return;
            }
        }
        foreach (self::extremesAndEnds($labels) as $place) {
            for ($level = 0; $level < $levels; ++$level) {
                foreach ($labels[$place]->places($level) as $text) {
                    if ($canvas->writeIfFree($group, $text)) {
                        break 2;
                    }
                }
            }
        }
    }

    /**
     * Whether labels with fewer decimals still tell the amounts apart: where many would be written as nought, a few
     * exact ones say more.
     *
     * @param array<int, PlacedLabel> $labels
     */
    private static function tells(array $labels, int $level): bool
    {
        $isNought = static fn (PlacedLabel $label, int $level): bool => NumberFormat::isNought(
            $label->form($level)->text,
        );
        $amounts = array_filter($labels, static fn (PlacedLabel $label): bool => !$isNought($label, 0));
        $noughts = array_filter($amounts, static fn (PlacedLabel $label): bool => $isNought($label, $level));

        return \count($noughts) <= self::NOUGHTS * \count($amounts);
    }

    /**
     * @param array<int, PlacedLabel> $labels
     *
     * @return list<Text>|null all of them; none where one has no room
     */
    private static function maybeAll(Canvas $canvas, array $labels, int $level): ?array
    {
        $texts = [];
        $before = null;
        foreach ($labels as $label) {
            $fitting = null;
            foreach ($label->places($level) as $text) {
                $box = $text->box();
                if ((null === $before || !$box->overlaps($before, 2.0)) && $canvas->hasRoom($box)) {
                    $fitting = $text;
                    $before = $box;
                    break;
                }
            }
            if (null === $fitting) {
                return null;
            }
            $texts[] = $fitting;
        }

        return $texts;
    }

    /**
     * @param non-empty-array<int, PlacedLabel> $labels
     *
     * @return list<int> the most telling first
     */
    private static function extremesAndEnds(array $labels): array
    {
        $sizes = array_map(static fn (PlacedLabel $label): float => $label->size, $labels);

        return array_values(
            array_unique([
                (int) array_search(max($sizes), $sizes, true),
                (int) array_search(min($sizes), $sizes, true),
                (int) array_key_last($labels),
                (int) array_key_first($labels),
            ]),
        );
    }
}

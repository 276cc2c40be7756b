<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Question\Labels;

/**
 * Writes the labels of a tier: all of them, else all with fewer decimals, else only those of the extremes and ends,
 * and of these only where nothing is in the way.
 */
final class LabelPlacer
{
    /** @param array<int, TierLabel> $labels by place on the axis */
    public static function place(Board $board, string $group, array $labels, Labels $wanted): void
    {
        if ([] === $labels || Labels::None === $wanted) {
            return;
        }
        $levels = 1 + max(array_map(static fn (TierLabel $label): int => $label->decimals, $labels));
        for ($level = 0; $level < $levels && Labels::All === $wanted; ++$level) {
            if (self::allFit($board, $labels, $level)) {
                foreach ($labels as $label) {
                    $board->write($group, $label->form($level));
                }

                return;
            }
        }
        foreach (self::extremesAndEnds($labels) as $place) {
            for ($level = 0; $level < $levels; ++$level) {
                if ($board->writeIfFree($group, $labels[$place]->form($level))) {
                    break;
                }
            }
        }
    }

    /** @param array<int, TierLabel> $labels */
    private static function allFit(Board $board, array $labels, int $level): bool
    {
        $before = null;
        foreach ($labels as $label) {
            $text = $label->form($level);
            if (!$board->isFree($text) || (null !== $before && $text->box()->overlaps($before, 2.0))) {
                return false;
            }
            $before = $text->box();
        }

        return true;
    }

    /**
     * @param non-empty-array<int, TierLabel> $labels
     *
     * @return list<int> the most telling first
     */
    private static function extremesAndEnds(array $labels): array
    {
        $sizes = array_map(static fn (TierLabel $label): float => $label->size, $labels);

        return array_values(array_unique([
            (int) array_search(max($sizes), $sizes, true),
            (int) array_search(min($sizes), $sizes, true),
            (int) array_key_last($labels),
            (int) array_key_first($labels),
        ]));
    }
}

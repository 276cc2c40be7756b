<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Workings\Result\Check;

/**
 * One length per unit in several charts: the shortest that any of them needs, measured in what they would draw alone.
 */
final class CommonScale
{
    private const TOLERANCE = 0.001;

    /**
     * @param non-empty-list<Drawing> $drawings
     *
     * @return array<string, float> points per unit, by scale; nothing where the charts count different things
     */
    public static function of(array $drawings): array
    {
        if (1 !== \count(array_unique(array_map(self::counted(...), $drawings)))) {
            return [];
        }
        $least = [];
        foreach ($drawings as $drawing) {
            foreach (ScaleCheck::perUnit($drawing->scene, $drawing->workings->table) as $scale => $length) {
                $least[$scale] = min($length, $least[$scale] ?? $length);
            }
        }

        return $least;
    }

    /** @param non-empty-list<Drawing> $drawings as drawn */
    public static function check(array $drawings): Check
    {
        $lengths = array_map(
            static fn (Drawing $drawing): array => ScaleCheck::perUnit($drawing->scene, $drawing->workings->table),
            $drawings,
        );
        $isCommon = [] !== self::of($drawings);
        foreach ($lengths as $own) {
            foreach (array_intersect_key($own, $lengths[0]) as $scale => $length) {
                $isClose = abs($length - $lengths[0][$scale]) <= self::TOLERANCE * $lengths[0][$scale];
                $isCommon = $isCommon && $isClose;
            }
        }
        $charts = 2 === \count($drawings) ? 'both charts' : 'all charts';

        return new Check(
            'common-scale',
            $isCommon,
            $isCommon ? "One scale in $charts" : 'The charts count different things, so each has its own scale',
        );
    }

    /** What its amounts are: `EUR`, `% points`. */
    private static function counted(Drawing $drawing): string
    {
        $display = $drawing->workings->context->display;

        return $display->measuredIn.($display->inPoints ? ' points' : '');
    }
}

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
     * @param non-empty-list<MeasuredChart> $charts
     *
     * @return array<string, float> points per unit, by scale; nothing where the charts count different things
     */
    public static function of(array $charts): array
    {
        if (
            1 !==
            \count(array_unique(array_map(static fn (MeasuredChart $chart): string => $chart->counted(), $charts)))
        ) {
            return [];
        }
        $least = [];
        foreach ($charts as $chart) {
            foreach ($chart->perUnit() as $scale => $length) {
                $least[$scale] = min($length, $least[$scale] ?? $length);
            }
        }

        return $least;
    }

    /**
     * @param non-empty-list<MeasuredChart> $charts as drawn
     *
     * @return ?Check null where fewer than two of them have lengths to compare
     */
    public static function maybeCheck(array $charts): ?Check
    {
        $measured = array_map(static fn (MeasuredChart $chart): array => $chart->perUnit(), $charts);
        $lengths = array_values(array_filter($measured));
        if (\count($lengths) < 2) {
            return null;
        }
        $countsAlike = [] !== self::of($charts);
        // A half ring and a bar have no length in common, though both count the same.
        $shared = array_keys($lengths[0]);
        foreach ($lengths as $own) {
            $shared = array_intersect($shared, array_keys($own));
        }
        $isComparable = [] !== $shared;
        $isCommon = $countsAlike && $isComparable;
        foreach ($lengths as $own) {
            foreach (array_intersect_key($own, $lengths[0]) as $scale => $length) {
                $isClose = abs($length - $lengths[0][$scale]) <= self::TOLERANCE * $lengths[0][$scale];
                $isCommon = $isCommon && $isClose;
            }
        }
        $where = 2 === \count($charts) ? 'both charts' : 'all charts';
        $why = $countsAlike && !$isComparable ? 'measure in different ways' : 'count different things';

        return new Check(
            'common-scale',
            $isCommon,
            $isCommon ? "One scale in $where" : "The charts $why, so each has its own scale",
        );
    }
}

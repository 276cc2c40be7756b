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

    /** @param non-empty-list<MeasuredChart> $charts as drawn */
    public static function check(array $charts): Check
    {
        $lengths = array_map(static fn (MeasuredChart $chart): array => $chart->perUnit(), $charts);
        $isCommon = [] !== self::of($charts);
        foreach ($lengths as $own) {
            foreach (array_intersect_key($own, $lengths[0]) as $scale => $length) {
                $isClose = abs($length - $lengths[0][$scale]) <= self::TOLERANCE * $lengths[0][$scale];
                $isCommon = $isCommon && $isClose;
            }
        }
        $where = 2 === \count($charts) ? 'both charts' : 'all charts';

        return new Check(
            'common-scale',
            $isCommon,
            $isCommon ? "One scale in $where" : 'The charts count different things, so each has its own scale',
        );
    }
}

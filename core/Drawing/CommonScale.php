<?php

declare(strict_types=1);

namespace KeenMargin\Core\Drawing;

use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * One length per unit in several charts: the shortest that any of them needs, measured in what they would draw alone.
 */
final class CommonScale
{
    private const TOLERANCE = 0.001;

    /**
     * @param non-empty-list<array{Workings, Finish, Scene}> $charts
     *
     * @return array<string, float> points per unit, by what is measured; nothing where the charts count different
     *                              things
     */
    public static function of(array $charts): array
    {
        $units = array_unique(
            array_map(
                static fn (array $chart): string => $chart[0]->display->measuredIn.
                    ($chart[0]->display->inPoints ? ' points' : ''),
                $charts,
            ),
        );
        if (1 !== \count($units)) {
            return [];
        }
        $least = [];
        foreach ($charts as [$workings, $finish, $scene]) {
            foreach (ScaleCheck::perUnit($scene, $workings, $finish->sameLength) as $what => $length) {
                $least[$what] = min($length, $least[$what] ?? $length);
            }
        }

        return $least;
    }

    /** @param non-empty-list<array{Workings, Finish, Scene}> $charts as drawn */
    public static function check(array $charts): Check
    {
        $lengths = array_map(
            static fn (array $chart): array => ScaleCheck::perUnit($chart[2], $chart[0], $chart[1]->sameLength),
            $charts,
        );
        $isCommon = [] !== self::of($charts);
        foreach ($lengths as $of) {
            foreach (array_intersect_key($of, $lengths[0]) as $what => $length) {
                $isCommon = $isCommon && abs($length - $lengths[0][$what]) <= self::TOLERANCE * $lengths[0][$what];
            }
        }

        return new Check(
            'common-scale',
            $isCommon,
            $isCommon ? 'One scale in both charts' : 'The charts count different things, so each has its own scale',
        );
    }
}

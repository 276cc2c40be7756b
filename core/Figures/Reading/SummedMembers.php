<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\PackedAmounts;
use KeenMargin\Core\Figures\Series;

/**
 * Finds members of a breakdown that are, in every period and scenario, the sum of all the others: `All routes`.
 */
final class SummedMembers
{
    /** Cells that must agree before a member without a telling name is taken for a total. */
    private const CELLS = 3;
    private const OTHERS = 2;

    /**
     * @param list<Series> $series
     * @param list<string> $packed     amounts of the same series, all with equally many decimals
     * @param int          $breakdowns how many there are
     *
     * @return array<int, string> the member by the breakdown's place; at most one each
     */
    public static function of(array $series, array $packed, int $breakdowns): array
    {
        $totals = array_map(static function (string $amounts) {
            $sum = 0;
            $flat = PackedAmounts::flat($amounts);
            for ($i = 2, $end = \count($flat); $i <= $end; $i += 2) {
                $sum += $flat[$i];
            }

            return $sum;
        }, $packed);
        $found = [];
        for ($place = 0; $place < $breakdowns; ++$place) {
            $member = self::maybeAt($place, $series, $packed, $totals);
            if (null !== $member) {
                $found[$place] = $member;
            }
        }

        return $found;
    }

    /**
     * @param list<Series>    $series
     * @param list<string>    $packed
     * @param list<int|float> $totals of each series over all periods
     */
    private static function maybeAt(int $place, array $series, array $packed, array $totals): ?string
    {
        $sums = [];
        $whole = [];
        foreach ($series as $i => $one) {
            $sums[$one->members[$place]][$one->measure] = ($sums[$one->members[$place]][$one->measure] ?? 0) + $totals[$i];
            $whole[$one->measure] = ($whole[$one->measure] ?? 0) + $totals[$i];
        }
        if (\count($sums) <= self::OTHERS) {
            return null;
        }
        foreach ($sums as $member => $byMeasure) {
            foreach ($whole as $measure => $sum) {
                // Floats come where a sum has outgrown the machine's integers; such sums are not told apart exactly.
                if (!\is_int($sum) || 0 === $sum || $sum !== 2 * ($byMeasure[$measure] ?? 0)) {
                    continue 2;
                }
            }
            if (self::tiesEverywhere((string) $member, $place, $series, $packed)) {
                return (string) $member;
            }
        }

        return null;
    }

    /**
     * @param list<Series> $series
     * @param list<string> $packed
     */
    private static function tiesEverywhere(string $member, int $place, array $series, array $packed): bool
    {
        $rest = [];
        $cells = 0;
        foreach ($series as $i => $one) {
            $isTotal = $one->members[$place] === $member;
            foreach (PackedAmounts::unpack($packed[$i]) as $start => $amount) {
                $key = "$one->measure\0{$one->scenario->value}\0$start";
                $rest[$key] = ($rest[$key] ?? 0) + ($isTotal ? -$amount : $amount);
                $cells += $isTotal ? 1 : 0;
            }
        }

        return [] === array_filter($rest) && ($cells >= self::CELLS || TotalWords::isLikely($member));
    }
}

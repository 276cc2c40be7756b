<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;

/**
 * Finds members of a breakdown that are, in every period and scenario, the sum of all the others: `All routes`.
 */
final class SummedMembers
{
    /** Cells that must agree before a member without a telling name is taken for a total. */
    private const CELLS = 3;
    private const OTHERS = 2;

    /**
     * @param array<int, Series> $series
     * @param array<int, string> $packed amounts of the same series, all with equally many decimals
     *
     * @return array<int, string> the member by the breakdown's place; at most one each
     */
    public static function of(array $series, array $packed, MemberSums $sums): array
    {
        $found = [];
        foreach ($sums->sums as $place => $byMember) {
            foreach (\count($byMember) > self::OTHERS ? $byMember : [] as $member => $own) {
                if (
                    self::isHalf($own, $sums->whole) && self::tiesEverywhere((string) $member, $place, $series, $packed)
                ) {
                    $found[$place] = (string) $member;
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * Whether a member's sums are as much as those of all others, for every measure.
     *
     * @param array<string, int|float> $own
     * @param array<string, int|float> $whole
     */
    private static function isHalf(array $own, array $whole): bool
    {
        foreach ($whole as $measure => $sum) {
            // Sums that have outgrown the machine's integers are not told apart exactly.
            if (!\is_int($sum) || 0 === $sum || $sum !== 2 * ($own[$measure] ?? 0)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<int, Series> $series
     * @param array<int, string> $packed
     */
    private static function tiesEverywhere(string $member, int $place, array $series, array $packed): bool
    {
        $rest = [];
        $cells = 0;
        foreach ($series as $i => $one) {
            $isTotal = $one->member($place) === $member;
            foreach (PackedAmounts::unpack($packed[$i]) as $start => $amount) {
                $key = "$one->measure\0{$one->scenario->value}\0$start";
                $rest[$key] = ($rest[$key] ?? 0) + ($isTotal ? -$amount : $amount);
                $cells += $isTotal ? 1 : 0;
            }
        }

        return [] === array_filter($rest) && ($cells >= self::CELLS || TotalWords::isLikely($member));
    }
}

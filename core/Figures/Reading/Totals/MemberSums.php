<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

use KeenMargin\Core\Figures\Series\Series;

/**
 * The members that series have, in the order in which they came, and each one's sum over everything else, measure by
 * measure.
 */
final readonly class MemberSums
{
    /**
     * @param list<array<string|int, array<string, int|float>>> $sums by place of the breakdown, member and measure
     * @param array<string, int|float> $whole by measure
     */
    private function __construct(public array $sums, public array $whole) {}

    /**
     * @param array<int, Series> $series
     * @param array<int, int|float> $totals of the same series over all periods; a float where it has outgrown the
     *                                      machine's integers
     * @param int $breakdowns how many there are
     */
    public static function of(array $series, array $totals, int $breakdowns): self
    {
        $sums = array_fill(0, $breakdowns, []);
        $whole = [];
        foreach ($series as $i => $one) {
            $total = $totals[$i] ?? 0;
            $measure = $one->measure;
            $whole[$measure] = ($whole[$measure] ?? 0) + $total;
            if ($breakdowns > 0) {
                foreach ($one->members() as $place => $member) {
                    $sums[$place][$member][$measure] = ($sums[$place][$member][$measure] ?? 0) + $total;
                }
            }
        }

        return new self($sums, $whole);
    }

    /** @return list<string> */
    public function members(int $place): array
    {
        return array_map(strval(...), array_keys($this->sums[$place]));
    }
}

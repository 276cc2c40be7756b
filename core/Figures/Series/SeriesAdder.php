<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use Brick\Math\BigInteger;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;

/** Adds up packed amounts by measure, scenario and period: as whole numbers, and exactly where those do not suffice. */
final class SeriesAdder
{
    /** @var array<string, array<string, array<int, int>>> measure, scenario code, period start */
    private array $sums = [];
    /** @var array<string, array<string, array<int, int>>> how many amounts are in each, where that matters */
    private array $counts = [];
    /** @var array<string, array<string, array<int, BigInteger>>> what has outgrown the machine's integers */
    private array $large = [];

    /**
     * @param string $scenario its code, or any other key
     * @param string|false $counts how many amounts each of them stands for, packed alike; '' for one, false where
     *                             nobody will ask
     */
    public function add(string $measure, string $scenario, string $packed, string|false $counts = ''): void
    {
        $this->addFlat($measure, $scenario, PackedAmounts::flat($packed), $counts);
    }

    /**
     * As add(), of amounts that are unpacked already.
     *
     * @param array<int, int> $flat as PackedAmounts::flat() gives them
     */
    public function addFlat(string $measure, string $scenario, array $flat, string|false $counts): void
    {
        $sums = $this->sums[$measure][$scenario] ?? [];
        // Out of the array, so that the loop writes to its own copy.
        $this->sums[$measure][$scenario] = [];
        for ($i = 1, $end = \count($flat); $i < $end; $i += 2) {
            $start = $flat[$i];
            $sum = ($sums[$start] ?? 0) + $flat[$i + 1];
            if (!self::isWhole($sum)) {
                $this->large[$measure][$scenario][$start] = (
                    $this->large[$measure][$scenario][$start] ?? BigInteger::zero()
                )->plus($sums[$start] ?? 0);
                $sum = $flat[$i + 1];
            }
            $sums[$start] = $sum;
        }
        $this->sums[$measure][$scenario] = $sums;
        if (false !== $counts) {
            $this->count($measure, $scenario, $flat, PackedAmounts::flat($counts));
        }
    }

    /**
     * @param array<int, int> $flat
     * @param array<int, int> $each
     */
    private function count(string $measure, string $scenario, array $flat, array $each): void
    {
        $known = $this->counts[$measure][$scenario] ?? [];
        for ($i = 1, $end = \count($flat); $i < $end; $i += 2) {
            $known[$flat[$i]] = ($known[$flat[$i]] ?? 0) + ($each[$i + 1] ?? 1);
        }
        $this->counts[$measure][$scenario] = $known;
    }

    /**
     * @return \Generator<int, array{string, string, array<int, int>|null, array<int, int>}> measure, scenario, sums by
     *                                                                                       period start (none where
     *                                                                                       one has outgrown the
     *                                                                                       machine's integers), how
     *                                                                                       many amounts are in each,
     *                                                                                       where that
     *                                                                                       was counted
     */
    public function each(): \Generator
    {
        foreach ($this->sums as $measure => $byScenario) {
            foreach ($byScenario as $scenario => $sums) {
                yield [
                    (string) $measure,
                    (string) $scenario,
                    isset($this->large[$measure][$scenario]) ? null : $sums,
                    $this->counts[$measure][$scenario] ?? [],
                ];
            }
        }
    }

    /** @return array<string, list<int>> starts of the periods that have amounts, by scenario */
    public function starts(): array
    {
        $starts = [];
        foreach ($this->sums as $byScenario) {
            foreach ($byScenario as $scenario => $byStart) {
                $starts[$scenario] = ($starts[$scenario] ?? []) + $byStart;
            }
        }

        return array_map(array_keys(...), $starts);
    }

    public function sums(Dataset $dataset): Sums
    {
        $sums = new Sums();
        foreach ($this->sums as $measure => $byScenario) {
            $decimals = $dataset->maybeMeasure((string) $measure)->decimals ?? 0;
            foreach ($byScenario as $scenario => $own) {
                foreach ($this->large[$measure][$scenario] ?? [] as $start => $large) {
                    $own[$start] = $large->plus($own[$start]);
                }
                $sums->put(
                    (string) $measure,
                    Scenario::from((string) $scenario),
                    $own,
                    $decimals,
                    $this->counts[$measure][$scenario] ?? [],
                );
            }
        }

        return $sums;
    }

    /** Whether a sum is still exact: one that is too large has become a floating point number. */
    private static function isWhole(mixed $sum): bool
    {
        return \is_int($sum);
    }
}

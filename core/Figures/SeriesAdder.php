<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigInteger;

/** Adds up packed amounts by measure, scenario and period: as whole numbers, and exactly where those do not suffice. */
final class SeriesAdder
{
    /** @var array<string, array<string, array<int, int>>> measure, scenario code, period start */
    private array $sums = [];
    /** @var array<string, array<string, array<int, int>>> how many amounts are in each */
    private array $counts = [];
    /** @var array<string, array<string, array<int, BigInteger>>> what has outgrown the machine's integers */
    private array $large = [];

    /**
     * @param string  $scenario its code, or any other key
     * @param ?string $counts   how many amounts each of them stands for, packed alike; none: one
     */
    public function add(string $measure, string $scenario, string $packed, ?string $counts = null): void
    {
        $sums = $this->sums[$measure][$scenario] ?? [];
        $known = $this->counts[$measure][$scenario] ?? [];
        // Out of the arrays, so that the loop writes to its own copies.
        $this->sums[$measure][$scenario] = $this->counts[$measure][$scenario] = [];
        $flat = PackedAmounts::flat($packed);
        $each = null === $counts ? null : PackedAmounts::flat($counts);
        for ($i = 1, $end = \count($flat); $i < $end; $i += 2) {
            $start = $flat[$i];
            $sum = ($sums[$start] ?? 0) + $flat[$i + 1];
            if (!self::isWhole($sum)) {
                $this->large[$measure][$scenario][$start] = ($this->large[$measure][$scenario][$start] ?? BigInteger::zero())->plus($sums[$start] ?? 0);
                $sum = $flat[$i + 1];
            }
            $sums[$start] = $sum;
            $known[$start] = ($known[$start] ?? 0) + ($each[$i + 1] ?? 1);
        }
        $this->sums[$measure][$scenario] = $sums;
        $this->counts[$measure][$scenario] = $known;
    }

    /** How many amounts were added. */
    public function count(): int
    {
        $count = 0;
        foreach ($this->counts as $byScenario) {
            $count += array_sum(array_map(array_sum(...), $byScenario));
        }

        return $count;
    }

    /** @return \Generator<int, array{string, string, array<int, int>|null, array<int, int>}> measure, scenario, sums by period start (none where one has outgrown the machine's integers), how many amounts are in each */
    public function each(): \Generator
    {
        foreach ($this->sums as $measure => $byScenario) {
            foreach ($byScenario as $scenario => $sums) {
                yield [(string) $measure, (string) $scenario, isset($this->large[$measure][$scenario]) ? null : $sums, $this->counts[$measure][$scenario]];
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
            foreach ($byScenario as $scenario => $byStart) {
                foreach ($byStart as $start => $sum) {
                    $large = $this->large[$measure][$scenario][$start] ?? null;
                    $sums->put((string) $measure, Scenario::from((string) $scenario), $start, null === $large ? $sum : $large->plus($sum), $decimals, $this->counts[$measure][$scenario][$start]);
                }
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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Scene\Scale;

/** Where the noughts of tiers stand and how long a unit is in each: the same in all charts that share them. */
final readonly class TierLayout
{
    private const LABEL = 20.0;
    private const GAP = 8.0;
    private const BESIDE = 14.0;
    /** Bars are longer than this only where the reader cannot follow them any more. */
    private const LONGEST = 980.0;
    /** So much longer for each further waterfall side by side. */
    private const COLUMN = 140.0;

    /**
     * @param list<float> $zeros along, from the start
     * @param list<float> $perUnit
     * @param float $size of all of it
     * @param float $room that lengths have in all
     */
    private function __construct(public array $zeros, public array $perUnit, public float $size, public float $room) {}

    /**
     * Tiers from top to bottom, the lowest of which stands on the axis.
     *
     * @param list<Tier> $tiers of one of the charts, which have the same
     * @param list<Extent> $extents of the tiers over all charts
     * @param float $length that all amounts together may take
     * @param float $least height of the lowest tier
     * @param array<string, float> $most points per unit that other charts leave
     */
    public static function vertical(array $tiers, array $extents, float $length, float $least, array $most = []): self
    {
        $hasRate = Scale::Points === $tiers[0]->unit();
        $perUnit = self::perUnit(
            $tiers,
            $extents,
            [$hasRate ? 0.76 * $length : $length, 0.24 * $length, 0.19 * $length, 0.24 * $length, $length],
            $most,
        );
        $y = 0.0;
        $zeros = [];
        foreach (array_keys($tiers) as $i) {
            [$above, $below] = [$extents[$i]->above * $perUnit[$i], $extents[$i]->below * $perUnit[$i]];
            $isBase = $i === \count($tiers) - 1;
            $above = $isBase && 0.0 === $below ? max($above, $least) : $above;
            $zeros[] = $zero = $y + self::LABEL + $above;
            $y =
                $zero +
                ($isBase
                    ? (0.0 === $below ? 0.0 : max($below, $least - $above) + self::LABEL)
                    : $below + self::LABEL + self::GAP);
        }

        return new self($zeros, $perUnit, $y, $length);
    }

    /**
     * The same tiers from left to right, the lowest first.
     *
     * @param list<list<Tier>> $panels
     * @param array<string, float> $most points per unit that other charts leave
     */
    public static function horizontal(array $panels, float $width, array $most = []): self
    {
        $panels = array_map(array_reverse(...), $panels);
        $extents = self::extents($panels);
        $rooms = [];
        foreach ($panels[0] as $i => $tier) {
            $widths = LabelWidths::widest(
                array_map(static fn (array $tiers): LabelWidths => $tiers[$i]->labelWidths(), $panels),
            );
            $rooms[] = [0.0 === $extents[$i]->below ? 2.0 : $widths->below + 8.0, $widths->above + 8.0];
        }
        $taken = array_sum(array_map(array_sum(...), $rooms)) + self::BESIDE * (\count($rooms) - 1);
        $units = array_map(static fn (Tier $tier): Scale => $tier->unit(), $panels[0]);
        $columns = \count(array_keys($units, Scale::Amount, true));
        $longest = self::LONGEST + self::COLUMN * max(0, $columns - 1);
        $room = max(0.0, min($longest, $width) - $taken);
        $percent = min(110.0, 0.24 * $room);
        // Variances are not longer than one of the waterfalls that stand side by side.
        $variance = min(0.3 * $room, ($room - $percent) / ($columns + 1));
        $own = [$variance, $percent, min(140.0, 0.3 * $room)];
        $others = array_sum(array_map(
            static fn (Scale $unit, float $length): float => \in_array($unit, $units, true) ? $length : 0.0,
            [Scale::Variance, Scale::Percent, Scale::Points],
            $own,
        ));
        $perUnit = self::perUnit($panels[0], $extents, [$room - $others, ...$own, $room - $others], $most);
        $x = 0.0;
        $zeros = [];
        foreach ($rooms as $i => [$before, $after]) {
            $zeros[] = $zero = $x + $before + $extents[$i]->below * $perUnit[$i];
            $x = $zero + $extents[$i]->above * $perUnit[$i] + $after + self::BESIDE;
        }

        return new self(array_reverse($zeros), array_reverse($perUnit), $x - self::BESIDE, $room);
    }

    /**
     * How far tiers reach, over all charts.
     *
     * @param list<list<Tier>> $panels the same tiers of each chart
     *
     * @return list<Extent> by tier
     */
    public static function extents(array $panels): array
    {
        return array_map(
            static fn (int $i): Extent => array_reduce(
                $panels,
                static fn (Extent $all, array $tiers): Extent => $all->with($tiers[$i]->extent()),
                Extent::of([]),
            ),
            array_keys($panels[0]),
        );
    }

    /**
     * @param list<Tier> $tiers
     * @param list<Extent> $extents
     * @param array{float, float, float, float, float} $lengths of amounts, variances, percentages, rates, shares
     * @param array<string, float> $most
     *
     * @return list<float>
     */
    private static function perUnit(array $tiers, array $extents, array $lengths, array $most): array
    {
        // No tier draws angles, which are the last of the scales.
        $sums = array_fill(0, \count(Scale::cases()), 0.0);
        $places = array_map(
            static fn (Tier $tier): int => (int) array_search($tier->unit(), Scale::cases(), true),
            $tiers,
        );
        foreach ($places as $i => $place) {
            $sums[$place] += $extents[$i]->length();
        }

        return array_map(
            static fn (int $place): float => 0.0 === $sums[$place]
                ? 0.0
                : min(($lengths[$place] ?? 0.0) / $sums[$place], $most[Scale::cases()[$place]->value] ?? \INF),
            $places,
        );
    }
}

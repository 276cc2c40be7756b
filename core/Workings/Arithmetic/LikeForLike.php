<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;

/**
 * Two sums cut down to the cells (members × periods) that both have figures of. Days are one period for each month.
 * Used where a missing figure is not nothing: ratios, and averages over members.
 */
final readonly class LikeForLike
{
    /**
     * @param Sums $shown of the cells that both have
     * @param Sums $reference of the same cells
     * @param array<int, bool> $lacking periods in which nothing is compared though one side has figures, by their
     *                                  number among those given: whether what is shown has them
     */
    private function __construct(
        public Sums $shown,
        public Sums $reference,
        public array $lacking,
        public UnlikeCells $unlike,
    ) {}

    /**
     * @param list<string> $sources of the measure, all of which a cell needs
     * @param list<array{list<ScenarioPeriod>, list<ScenarioPeriod>}> $periods where the amounts of each compared period
     *                                                                         are kept, shown and reference
     * @param Sums $shown with their cells
     * @param Sums $reference with their cells
     * @param ?int $between place of the breakdown that the two are members of; null: both are of the same members
     */
    public static function of(
        array $sources,
        array $periods,
        Sums $shown,
        Sums $reference,
        ?int $between = null,
    ): self {
        [$shownCells, $referenceCells] = [self::cells($shown, $between), self::cells($reference, $between)];
        $same = self::maybeAllCompared($sources, $periods, $shownCells, $referenceCells);
        if (null !== $same) {
            return new self($shown, $reference, [], new UnlikeCells([], [], $same));
        }
        $shownAlone = $referenceAlone = $both = [];
        $kept = [[], []];
        $without = $partly = $compared = [];
        foreach ($shownCells + $referenceCells as $members => $_) {
            [$own, $other] = [$shownCells[$members] ?? null, $referenceCells[$members] ?? null];
            $starts = [[], []];
            $isCompared = $isUnlike = false;
            foreach ($periods as $i => [$ofShown, $ofReference]) {
                $has = [self::has($own, $sources, $ofShown), self::has($other, $sources, $ofReference)];
                if ($has[0] && $has[1]) {
                    self::keep($starts[0], $ofShown);
                    self::keep($starts[1], $ofReference);
                    $both[$i] = $isCompared = true;
                } elseif ($has[0]) {
                    $shownAlone[$i] = $isUnlike = true;
                } elseif ($has[1]) {
                    $referenceAlone[$i] = $isUnlike = true;
                } elseif (self::hasPart($own, $sources, $ofShown) || self::hasPart($other, $sources, $ofReference)) {
                    $isUnlike = true;
                }
            }
            $isCompared && ($compared[] = (string) $members);
            if ($isUnlike) {
                $isCompared ? ($partly[] = (string) $members) : ($without[] = (string) $members);
            }
            if ($isCompared && null !== $own && null !== $other) {
                $kept[0][] = $own->only($starts[0]);
                $kept[1][] = $other->only($starts[1]);
            }
        }
        $unlike = new UnlikeCells($without, $partly, $compared);
        if ($unlike->isEmpty()) {
            return new self($shown, $reference, [], $unlike);
        }
        $lacking = array_map(static fn (): bool => false, array_diff_key($referenceAlone, $both));
        $lacking = array_replace($lacking, array_diff_key($shownAlone, $both));

        return new self(Sums::of($kept[0]), Sums::of($kept[1]), $lacking, $unlike);
    }

    /**
     * The quick way, where both sides have the same cells: each period is kept at one place, of one scenario a side.
     *
     * @param list<string> $sources
     * @param list<array{list<ScenarioPeriod>, list<ScenarioPeriod>}> $periods
     * @param array<string|int, Sums> $shown
     * @param array<string|int, Sums> $reference
     *
     * @return ?list<string> members with any figure; null where a cell has figures of one side only, or it is not known
     */
    private static function maybeAllCompared(array $sources, array $periods, array $shown, array $reference): ?array
    {
        $sides = [self::maybePlaces($periods, 0), self::maybePlaces($periods, 1)];
        if (null === $sides[0] || null === $sides[1]) {
            return null;
        }
        $compared = [];
        foreach ($shown + $reference as $members => $_) {
            $first = null;
            foreach ([$shown[$members] ?? null, $reference[$members] ?? null] as $side => $cell) {
                [$scenario, $places] = $sides[$side];
                foreach ($sources as $source) {
                    $amounts = $cell?->byStart($source, $scenario) ?? [];
                    $has = array_values(array_intersect_key($places, $amounts));
                    $first ??= $has;
                    if ($has !== $first) {
                        return null;
                    }
                }
            }[] === $first || ($compared[] = (string) $members);
        }

        return $compared;
    }

    /**
     * @param list<array{list<ScenarioPeriod>, list<ScenarioPeriod>}> $periods
     *
     * @return array{string, array<int, int>}|null the scenario, and numbers of the periods by their starts; null where
     *                                             there are several scenarios, or several places of a period
     */
    private static function maybePlaces(array $periods, int $side): ?array
    {
        $scenario = null;
        $places = [];
        foreach ($periods as $i => $both) {
            $at = $both[$side][0] ?? null;
            $scenario ??= $at?->scenario;
            if (null === $at || \count($both[$side]) > 1 || $at->scenario !== $scenario || isset($places[$at->start])) {
                return null;
            }
            $places[$at->start] = $i;
        }

        return null === $scenario ? null : [$scenario, $places];
    }

    /** @return array<string|int, Sums> by members; without those that the two sides are told apart by */
    private static function cells(Sums $sums, ?int $between): array
    {
        $cells = $sums->cells() ?? throw new \LogicException('Sums that are compared like with like need their cells.');
        if (null === $between) {
            return $cells;
        }
        $others = [];
        foreach ($cells as $members => $cell) {
            $names = explode("\0", (string) $members);
            unset($names[$between]);
            $others[implode("\0", $names)] = $cell;
        }

        return $others;
    }

    /**
     * Whether a cell has a figure of each of the sources.
     *
     * @param list<string> $sources
     * @param list<ScenarioPeriod> $places
     */
    private static function has(?Sums $cell, array $sources, array $places): bool
    {
        foreach ($sources as $source) {
            if (!self::hasPart($cell, [$source], $places)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a cell has a figure of any of the sources: the numerator of a ratio without its denominator, say.
     *
     * @param list<string> $sources
     * @param list<ScenarioPeriod> $places
     */
    private static function hasPart(?Sums $cell, array $sources, array $places): bool
    {
        foreach ($sources as $source) {
            foreach ($places as $at) {
                if (true === $cell?->has($source, $at)) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param array<string, array<int, true>> $starts
     * @param list<ScenarioPeriod> $places
     */
    private static function keep(array &$starts, array $places): void
    {
        foreach ($places as $at) {
            $starts[$at->scenario][$at->start] = true;
        }
    }
}

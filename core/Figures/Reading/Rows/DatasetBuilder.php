<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Coverage;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Reading\Totals\ListSums;
use KeenMargin\Core\Figures\Reading\Totals\MarkedTotals;
use KeenMargin\Core\Figures\Reading\Totals\MemberSums;
use KeenMargin\Core\Figures\Reading\Totals\SummedMembers;
use KeenMargin\Core\Figures\Reading\Totals\TotalColumns;
use KeenMargin\Core\Figures\Reading\Totals\TotalRows;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Series\SeriesAdder;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\Grain;

/** Puts what was read together: equal keys added up, totals taken out, measures with their own decimals, coverage. */
final class DatasetBuilder
{
    /**
     * @param array<string, string> $units by measure, where the file told them
     * @param array<int, Series> $series
     * @param array<int, string> $packed amounts of the same series in the order of the rows, equal periods perhaps
     *                                   twice
     * @param array<int, int> $decimals that they really have
     * @param int $scale decimals that they are all scaled to
     * @param bool $daysAreMonths whether periods are days that stand for their months
     *
     * @throws RefusedFigures
     */
    public static function figures(
        string $name,
        string $organisation,
        Mapping $mapping,
        array $units,
        array $series,
        array $packed,
        array $decimals,
        int $scale,
        Grain $grain,
        bool $daysAreMonths,
        TotalRows $totals,
        TotalColumns $totalColumns,
        MarkedTotals $markedTotals,
        int $rows,
        int $without,
    ): ReadFigures {
        $toMonths = $daysAreMonths ? self::monthOf(...) : null;
        $grain = $daysAreMonths ? Grain::Month : $grain;
        $summed = 0;
        $ofMeasure = $sums = [];
        foreach ($packed as $run => $amounts) {
            [$packed[$run], $sums[$run]] = self::settled($amounts, $summed, $toMonths);
            $measure = $series[$run]->measure;
            $ofMeasure[$measure] = max($ofMeasure[$measure] ?? 0, $decimals[$run] ?? 0);
        }
        ksort($series);
        ksort($packed);
        $breakdowns = array_map(strval(...), array_keys($mapping->of(Role::Breakdown)));
        $notices = array_values(
            array_filter([
                0 === $summed
                    ? null
                    : new Notice(
                        'summed-rows',
                        true,
                        Wording::count(
                            $summed,
                            'amount shared its key with another row and was',
                            'amounts shared their key with other rows and were',
                        ).' added up',
                    ),
                $totals->maybeNotice(array_values($series), array_values($packed), $scale),
                $totalColumns->maybeNotice(),
                $markedTotals->maybeNotice(),
            ]),
        );
        $members = MemberSums::of($series, $sums, \count($breakdowns));
        $listed = $mapping->isPlainList() && 1 === \count($members->whole) ? $members->sums[0] : [];
        $summedRows = $mapping->keepsTotals ? [] : ListSums::of(array_map(array_sum(...), $listed));
        foreach ($summedRows as $row) {
            $notices[] = new Notice('summed-row', true, "\"$row\" is the sum of the rows before it and stays as one");
        }
        $keepsSums = $mapping->keepsTotals || null !== $mapping->lines;
        if (null !== $mapping->lines && !\in_array($mapping->lines->breakdown, $breakdowns, true)) {
            throw RefusedFigures::whole(
                "\"lines\" names the breakdown \"{$mapping->lines->breakdown}\", which the file does not have.",
            );
        }
        if (!$keepsSums && [] === $summedRows) {
            foreach (SummedMembers::of($series, $packed, $members) as $place => $member) {
                $series = array_filter($series, static fn (Series $one): bool => $one->member($place) !== $member);
                $packed = array_intersect_key($packed, $series);
                $members = MemberSums::of($series, $sums, \count($breakdowns));
                $notices[] = new Notice(
                    'summed-member',
                    true,
                    "\"$member\" is in every period the sum of the others of $breakdowns[$place] and was left out",
                );
            }
        }
        foreach ($series as $run => $one) {
            $excess = $scale - ($ofMeasure[$one->measure] ?? 0);
            $packed[$run] = 0 === $excess ? $packed[$run] : self::shortened($packed[$run], $excess);
        }
        $series = array_values($series);
        $packed = array_values($packed);
        $measures = self::measures($ofMeasure, $units, $mapping);
        $counted = array_fill_keys(
            array_map(
                static fn (Measure $measure): string => $measure->name,
                array_filter($measures, static fn (Measure $measure): bool => $measure->isCounted()),
            ),
            true,
        );
        $all = new SeriesAdder();
        foreach ($series as $i => $one) {
            $all->add($one->measure, $one->scenario->value, $packed[$i], isset($counted[$one->measure]) ? '' : false);
        }
        $dataset = new Dataset(
            name: $name,
            measures: $measures,
            breakdowns: array_map(
                static fn (string $breakdown, int $place): Breakdown => new Breakdown(
                    $breakdown,
                    $members->members($place),
                    roles: array_fill_keys($summedRows, LineRole::Subtotal) +
                        ($mapping->lines?->of($breakdown, $members->members($place)) ?? []),
                ),
                $breakdowns,
                array_keys($breakdowns),
            ),
            grain: $grain,
            calendar: $mapping->calendar,
            coverage: Coverage::ofStarts($all->starts(), $grain, $mapping->calendar),
            closedThrough: $mapping->closedThrough,
            organisation: $organisation,
            notices: $notices,
        );

        return new ReadFigures(new FactTable($dataset, $series, $packed, $all->sums($dataset)), $rows, $without);
    }

    private static function monthOf(int $day): int
    {
        [$year, $month] = CivilDate::parts($day);

        return $year * 12 + $month - 1;
    }

    /**
     * @param ?\Closure(int): int $moved what becomes of a period's start
     *
     * @return array{string, int|float} amounts in calendar order, each period once, and their sum
     *
     * @throws RefusedFigures
     */
    private static function settled(string $amounts, int &$summed, ?\Closure $moved): array
    {
        $flat = PackedAmounts::flat($amounts);
        $last = \PHP_INT_MIN;
        $total = 0;
        for ($i = 1, $end = \count($flat); $i < $end && $flat[$i] > $last && null === $moved; $i += 2) {
            $last = $flat[$i];
            $total += $flat[$i + 1];
        }
        if ($i > $end) {
            return [$amounts, $total];
        }
        $settled = [];
        for ($i = 1; $i < $end; $i += 2) {
            $start = null === $moved ? $flat[$i] : $moved($flat[$i]);
            $summed += isset($settled[$start]) ? 1 : 0;
            $sum = ($settled[$start] ?? 0) + $flat[$i + 1];
            if (!self::isWhole($sum)) {
                throw RefusedFigures::whole(
                    'The sum of rows that share a key has more digits than can be kept exactly. Give the amounts in '.
                        'thousands.',
                );
            }
            $settled[$start] = $sum;
        }

        return [PackedAmounts::pack($settled), array_sum($settled)];
    }

    private static function isWhole(mixed $sum): bool
    {
        return \is_int($sum);
    }

    private static function shortened(string $amounts, int $decimals): string
    {
        $divisor = 10 ** $decimals;

        return PackedAmounts::pack(
            array_map(static fn (int $amount): int => intdiv($amount, $divisor), PackedAmounts::unpack($amounts)),
        );
    }

    /**
     * @param array<string, int> $decimals by measure
     * @param array<string, string> $units
     *
     * @return list<Measure>
     *
     * @throws RefusedFigures
     */
    private static function measures(array $decimals, array $units, Mapping $mapping): array
    {
        $measures = [];
        foreach ($decimals as $name => $scale) {
            $rule = $mapping->measures[$name] ?? new MeasureRule();
            $measures[] = new Measure(
                (string) $name,
                $rule->unit ?? ($units[$name] ?? ''),
                max(0, $scale),
                $rule->grouping ?? Grouping::Sum,
                $rule->better,
                band: $rule->band,
                overMembers: $rule->overMembers ?? OverMembers::Sum,
            );
        }
        foreach ($mapping->measures as $name => $rule) {
            if (Grouping::Ratio !== $rule->grouping) {
                continue;
            }
            foreach ([$rule->numerator, $rule->denominator] as $part) {
                if (!isset($decimals[(string) $part])) {
                    throw RefusedFigures::whole(
                        "\"$name\" is made of \"$part\", which the file does not have. It has ".
                            implode(', ', array_keys($decimals)).
                            '.',
                    );
                }
            }
            $measures[] = new Measure(
                name: (string) $name,
                unit: '%',
                decimals: 0,
                grouping: Grouping::Ratio,
                better: $rule->better,
                numerator: $rule->numerator,
                denominator: $rule->denominator,
            );
        }

        return $measures;
    }
}

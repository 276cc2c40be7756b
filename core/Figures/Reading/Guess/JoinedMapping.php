<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Guess;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/**
 * A mapping for figures that are to join a dataset: its grain, calendar and breakdowns hold, what it does not split by
 * is ignored.
 */
final class JoinedMapping
{
    public static function of(Mapping $mapping, Dataset $dataset): Mapping
    {
        $columns = [];
        foreach ($mapping->columns as $name => $column) {
            $columns[$name] =
                Role::Breakdown === $column->role && null === $dataset->maybeBreakdownCalled((string) $name)
                    ? new ColumnRole(Role::Ignore)
                    : $column;
        }
        $isOnlyMeasure = 1 === \count($dataset->measures) && RoleGuess::DEFAULT_MEASURE === $mapping->measure;

        return With::of($mapping, [
            'columns' => $columns,
            'measure' => $isOnlyMeasure ? $dataset->measures[0]->name : $mapping->measure,
            'measures' => self::measures($mapping->measures, $dataset),
            'calendar' => $dataset->calendar,
            'grain' => $dataset->grain,
        ]);
    }

    /**
     * How a measure of the dataset is put together is said there, whatever the file's columns suggest.
     *
     * @param array<string, MeasureRule> $rules
     *
     * @return array<string, MeasureRule>
     */
    private static function measures(array $rules, Dataset $dataset): array
    {
        foreach ($dataset->measures as $measure) {
            if (!$measure->isRatio() && (isset($rules[$measure->name]) || $measure->isCounted())) {
                $isRate = Grouping::Rate === $measure->grouping;
                $rules[$measure->name] = With::of($rules[$measure->name] ?? new MeasureRule(), [
                    'grouping' => $measure->grouping,
                    'overMembers' => $isRate ? null : $measure->overMembers,
                ]);
            }
        }

        return $rules;
    }

    /**
     * Refuses figures that are split otherwise than the dataset, or by another grain.
     *
     * @throws RefusedFigures
     */
    public static function insist(Dataset $incoming, Dataset $dataset): void
    {
        foreach ($dataset->breakdowns as $breakdown) {
            if (
                [] ===
                array_filter(
                    $incoming->breakdowns,
                    static fn (Breakdown $own): bool => $breakdown->answersTo($own->name),
                )
            ) {
                throw RefusedFigures::whole(
                    "\"$dataset->name\" is split "
                        ."by $breakdown->name, and no column of the file is. Say which one holds it, or bring the "
                        .'file in as a dataset of its own.',
                );
            }
        }
        foreach ($incoming->breakdowns as $breakdown) {
            if (null === $dataset->maybeBreakdownCalled($breakdown->name)) {
                throw RefusedFigures::whole(
                    "\"$dataset->name\" is not split "
                        ."by $breakdown->name. Ignore that column, or bring the file in as a dataset of its own.",
                );
            }
        }
        if ($incoming->grain !== $dataset->grain) {
            $of = $incoming->isTimeless() ? 'has no periods' : "is by {$incoming->grain->value}";
            $other = $dataset->isTimeless() ? 'has none' : "is by {$dataset->grain->value}";
            throw RefusedFigures::whole(
                "The file $of, \"$dataset->name\" $other. Bring it in as a dataset of its own.",
            );
        }
        foreach ($incoming->measures as $measure) {
            $known = $dataset->maybeMeasure($measure->name);
            if (null !== $known && '' !== $measure->unit && '' !== $known->unit && $measure->unit !== $known->unit) {
                throw RefusedFigures::whole(
                    "$measure->name is in $measure->unit in the file and "
                        ."in $known->unit in \"$dataset->name\". Convert one of them, or name the measure otherwise.",
                );
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Dimension;

/** A mapping for figures that are to join a dataset: its grain, calendar and breakdowns hold, what it does not split by is ignored. */
final class JoinedMapping
{
    public static function of(Mapping $mapping, Dataset $dataset): Mapping
    {
        $columns = [];
        foreach ($mapping->columns as $name => $column) {
            $columns[$name] = Role::Breakdown === $column->role && null === $dataset->maybeBreakdownCalled((string) $name) ? new ColumnRole(Role::Ignore) : $column;
        }
        $isOnlyMeasure = 1 === \count($dataset->measures) && RoleGuess::DEFAULT_MEASURE === $mapping->measure;

        return new Mapping($columns, $mapping->decimal, $mapping->dates, $isOnlyMeasure ? $dataset->measures[0]->name : $mapping->measure, $mapping->year, $mapping->leaveOut, $mapping->measures, $dataset->calendar, $dataset->grain, $mapping->sameAs, $mapping->keepsTotals, $mapping->header, $mapping->sheet, $mapping->bands);
    }

    /** Refuses figures that are split otherwise than the dataset, or by another grain. */
    public static function insist(Dataset $incoming, Dataset $dataset): void
    {
        foreach ($dataset->breakdowns as $breakdown) {
            if ([] === array_filter($incoming->breakdowns, static fn (Dimension $own): bool => $breakdown->answersTo($own->name))) {
                throw RefusedFigures::whole("\"$dataset->name\" is split by $breakdown->name, and no column of the file is. Say which one holds it, or bring the file in as a dataset of its own.");
            }
        }
        foreach ($incoming->breakdowns as $breakdown) {
            if (null === $dataset->maybeBreakdownCalled($breakdown->name)) {
                throw RefusedFigures::whole("\"$dataset->name\" is not split by $breakdown->name. Ignore that column, or bring the file in as a dataset of its own.");
            }
        }
        if ($incoming->grain !== $dataset->grain) {
            $of = $incoming->isTimeless() ? 'has no periods' : "is by {$incoming->grain->value}";
            $other = $dataset->isTimeless() ? 'has none' : "is by {$dataset->grain->value}";
            throw RefusedFigures::whole("The file $of, \"$dataset->name\" $other. Bring it in as a dataset of its own.");
        }
        foreach ($incoming->measures as $measure) {
            $known = $dataset->maybeMeasure($measure->name);
            if (null !== $known && '' !== $measure->unit && '' !== $known->unit && $measure->unit !== $known->unit) {
                throw RefusedFigures::whole("$measure->name is in $measure->unit in the file and in $known->unit in \"$dataset->name\". Convert one of them, or name the measure otherwise.");
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Storage\NamedNote;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\Result\RowNote;

/** Notes as the API tells them. */
final class NoteState
{
    /** @return array<string, mixed> */
    public static function of(NamedNote $named): array
    {
        $note = $named->record;

        return [
            'id' => $note->id,
            'version' => $note->version,
            'dataset' => $note->dataset->id,
            'datasetName' => $note->dataset->name,
            'measure' => $named->measure,
            'period' => $note->period,
            'place' => $named->place->filters,
            'label' => $named->label(),
            'text' => $note->text,
            'author' => $note->author,
            'at' => $note->at,
            'changedAt' => $note->changedAt,
        ];
    }

    /**
     * Those in a chart with their numbers, and what was written about the same rows a year before.
     *
     * @param array<int, NamedNote> $records
     *
     * @return array{notes: list<array<string, mixed>>, earlier: array<string, list<array<string, mixed>>>|\stdClass}
     */
    public static function inChart(Drawing $drawing, NotesInChart $notes, array $records): array
    {
        $earlier = [];
        foreach ($notes->aYearBefore($drawing->workings) as $row => $of) {
            $earlier[(string) $row] = array_values(array_map(
                self::of(...),
                array_filter(array_map(static fn (Note $note): ?NamedNote => $records[$note->id] ?? null, $of)),
            ));
        }

        return [
            'notes' => array_values(array_map(
                static fn (RowNote $note): array => ['number' => $note->number, 'row' => $note->row] +
                    self::of($records[$note->id]),
                array_filter(
                    $drawing->chart->options->notes,
                    static fn (RowNote $note): bool => isset($records[$note->id]),
                ),
            )),
            'earlier' => [] === $earlier ? new \stdClass() : $earlier,
        ];
    }
}

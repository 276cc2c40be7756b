<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;
use KeenMargin\App\Storage\Changes\ChangeLog;
use KeenMargin\App\Storage\Changes\TableRowChange;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Workings\About\RowTarget;

/** Writes, changes and deletes notes; each can be undone with whatever else is done to the dataset. */
final readonly class NoteEdit
{
    public const LONGEST = 2000;

    public function __construct(
        private ChangeLog $changes,
        private SeriesStore $store,
        private WriteTurn $turn,
        private KeptDocuments $documents,
    ) {}

    /** @return int the note's id */
    public function write(DatasetRecord $dataset, RowTarget $place, string $label, string $text, string $who): int
    {
        return $this->turn->onDataset((int) $dataset->id, function (DatasetRecord $dataset) use (
            $place,
            $label,
            $text,
            $who,
        ): int {
            $id = $this->store->nextId('note');
            $numbers = $this->documents->numbersOf((int) $dataset->id);
            $this->changes->do(
                $dataset,
                new Change('A note is written about '.$label, [
                    new TableRowChange('note', $id, null, [
                        'dataset_id' => $dataset->id,
                        'version' => 1,
                        'measure' => $numbers->measure($place->measure),
                        'period' => $place->period?->key() ?? '',
                        'place' => DatasetNotes::keptPlace($place->place, $numbers),
                        'label' => mb_substr($label, 0, 1200),
                        'text' => $text,
                        'author' => $who,
                        'at' => self::now(),
                        'changed_at' => null,
                    ]),
                ]),
                $who,
            );

            return $id;
        });
    }

    public function change(NoteRecord $note, string $text, string $who): void
    {
        $this->changes->do(
            $note->dataset,
            new Change("The note about {$note->label} is changed", [new TableRowChange(
                'note',
                (int) $note->id,
                [
                    'version' => $note->version,
                    'text' => $note->text,
                    'author' => $note->author,
                    'changed_at' => $note->changedAt,
                ],
                [
                    'version' => $note->version + 1,
                    'text' => $text,
                    'author' => '' === $who ? $note->author : $who,
                    'changed_at' => self::now(),
                ],
            )]),
            $who,
        );
    }

    public function delete(NoteRecord $note, string $who): void
    {
        $this->changes->do(
            $note->dataset,
            new Change("The note about {$note->label} is deleted", [new TableRowChange(
                'note',
                (int) $note->id,
                [
                    'dataset_id' => $note->dataset->id,
                    'version' => $note->version,
                    'measure' => $note->measure,
                    'period' => $note->period,
                    'place' => $note->place,
                    'label' => $note->label,
                    'text' => $note->text,
                    'author' => $note->author,
                    'at' => $note->at,
                    'changed_at' => $note->changedAt,
                ],
                null,
            )]),
            $who,
        );
    }

    private static function now(): string
    {
        return (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM);
    }
}

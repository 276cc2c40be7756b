<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;

/** The notes of a dataset, as records and as charts take them. */
final readonly class DatasetNotes
{
    public function __construct(private EntityManagerInterface $manager)
    {
    }

    /** @return array<int, NoteRecord> by id, in the order in which they were written */
    public function records(DatasetRecord $dataset): array
    {
        $records = [];
        $notes = $this->manager->getRepository(NoteRecord::class)->findBy(['dataset' => $dataset], ['id' => 'ASC']);
        foreach ($notes as $record) {
            $records[(int) $record->id] = $record;
        }

        return $records;
    }

    /** @param bool $areWritten whether their texts stand below the chart, too */
    public function inChart(DatasetRecord $dataset, Question $question, bool $areWritten): NotesInChart
    {
        $calendar = new FiscalCalendar($dataset->firstMonth);

        return new NotesInChart(
            array_map(
                static fn (NoteRecord $record): Note => self::note($record, $calendar),
                array_values($this->records($dataset)),
            ),
            $question,
            $areWritten,
        );
    }

    private static function note(NoteRecord $record, FiscalCalendar $calendar): Note
    {
        return new Note(
            (int) $record->id,
            $record->measure,
            '' === $record->period ? null : Period::of($record->period, $calendar),
            $record->place,
            $record->text,
        );
    }
}

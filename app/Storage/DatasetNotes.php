<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Question\Names\RecipeNames;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\About\NoteTarget;

/** The notes of a dataset, with their names and as charts take them. */
final readonly class DatasetNotes
{
    /** @var \WeakMap<DatasetRecord, array<int, NamedNote>> of the datasets that were asked for */
    private \WeakMap $notes;

    public function __construct(private EntityManagerInterface $manager, private KeptDocuments $documents)
    {
        $this->notes = new \WeakMap();
    }

    /** @return array<int, NamedNote> by id, in the order in which they were written */
    public function of(DatasetRecord $dataset): array
    {
        return $this->notes[$dataset] ??= $this->named(
            $this->manager->getRepository(NoteRecord::class)->findBy(['dataset' => $dataset], ['id' => 'ASC']),
        );
    }

    public function one(NoteRecord $record): NamedNote
    {
        return new NamedNote($record, ...$this->about($record, $this->documents->namesIn(self::kept($record))));
    }

    /** @param bool $areWritten whether their texts stand below the chart, too */
    public function inChart(DatasetRecord $dataset, Question $question, bool $areWritten): NotesInChart
    {
        $calendar = new FiscalCalendar($dataset->firstMonth);

        return new NotesInChart(
            array_map(
                static fn (NamedNote $note): Note => self::note($note, $calendar),
                array_values($this->of($dataset)),
            ),
            $question,
            $areWritten,
        );
    }

    /** What a note is about, as it is kept. */
    public static function keptPlace(NoteTarget $place, NameMap $numbers): string
    {
        return json_encode(
            RecipeNames::filters($place->filters, $numbers),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    /**
     * @param array<NoteRecord> $records
     *
     * @return array<int, NamedNote> by id
     */
    private function named(array $records): array
    {
        $names = $this->documents->namesIn(array_map(self::kept(...), $records));
        $named = [];
        foreach ($records as $record) {
            $named[(int) $record->id] = new NamedNote($record, ...$this->about($record, $names));
        }

        return $named;
    }

    /** @return array{measure: string, place: NoteTarget} */
    private function about(NoteRecord $record, NameMap $names): array
    {
        $filters = array_map(
            static fn (mixed $filter) => QuestionReader::filter(Given::kept(\is_array($filter) ? $filter : [])),
            RecipeNames::filters(self::kept($record)['place'], $names),
        );

        $measure = $names->measure($record->measure);

        return ['measure' => $measure, 'place' => NoteTarget::of($filters)];
    }

    /** @return array{measure: string, place: array<mixed>} */
    private static function kept(NoteRecord $record): array
    {
        $place = json_decode($record->place, true);

        return ['measure' => $record->measure, 'place' => \is_array($place) ? $place : []];
    }

    private static function note(NamedNote $note, FiscalCalendar $calendar): Note
    {
        return new Note(
            (int) $note->record->id,
            $note->measure,
            '' === $note->record->period ? null : Period::of($note->record->period, $calendar),
            $note->place->key(),
            $note->record->text,
        );
    }
}

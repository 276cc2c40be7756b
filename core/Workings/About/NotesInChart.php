<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Workings\Result\RowNote;
use KeenMargin\Core\Workings\Result\Workings;

/** The notes of a dataset as they stand in one chart: those of its rows, numbered in reading order. */
final readonly class NotesInChart
{
    /**
     * @param list<Note> $notes in the order in which they were written
     * @param bool $areWritten whether their texts stand below the chart, too
     */
    public function __construct(private array $notes, private Question $question, public bool $areWritten = false) {}

    /** Whether nobody has written any about the figures. */
    public function areNone(): bool
    {
        return [] === $this->notes;
    }

    /** @return list<RowNote> those of its rows, in reading order */
    public function in(Workings $workings): array
    {
        $numbered = [];
        $notesByRow = $this->byRow($workings, static fn (Note $note, RowTarget $place): bool => $note->isAbout($place));
        foreach ($notesByRow as $row => $notes) {
            foreach ($notes as $note) {
                $numbered[] = new RowNote(\count($numbered) + 1, (string) $row, $note->text, $note->id);
            }
        }

        return $numbered;
    }

    /** @return array<string|int, list<Note>> by row: what was written about the same a year before */
    public function aYearBefore(Workings $workings): array
    {
        return $this->byRow($workings, static fn (Note $note, RowTarget $place): bool => $note->isAYearBefore($place));
    }

    /**
     * @param callable(Note, RowTarget): bool $is
     *
     * @return array<string|int, list<Note>> by row, in the rows' order
     */
    private function byRow(Workings $workings, callable $is): array
    {
        $of = [];
        $candidates = array_values(array_filter(
            $this->notes,
            static fn (Note $note): bool => $note->measure === $workings->context->measure()->name,
        ));
        foreach ([] === $candidates ? [] : $workings->table->rows as $row) {
            $place = RowTarget::maybe($row, $workings, $this->question);
            $own =
                null === $place
                    ? []
                    : array_values(array_filter($candidates, static fn (Note $note): bool => $is($note, $place)));
            if ([] !== $own) {
                $of[$row->key->id] = $own;
            }
        }

        return $of;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Document\PartReader;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Report\Drawing\Library;
use KeenMargin\Core\Report\Drawing\NamedChart;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\About\NoteTarget;

/** What a report made of files refers to: the files, and the charts and notes that its document brings along. */
final readonly class FileLibrary implements Library
{
    /**
     * @param non-empty-array<string, Figures> $figures by the names that the report gives them
     * @param array<string, Given> $charts `{"dataset": …, "recipe": RECIPE}` by name
     * @param list<Given> $notes `{"dataset": …, "measure": …, "period": …, "where": […], "text": …}`
     */
    public function __construct(private array $figures, private array $charts, private array $notes) {}

    public function figures(string $dataset): Figures
    {
        $only = 1 === \count($this->figures) && '' === $dataset ? array_values($this->figures)[0] : null;

        return $only ??
            $this->figures[$dataset] ??
            throw new NotAccepted(
                'dataset',
                ('' === $dataset ? 'A chart does not say which dataset it is of' : "There are no figures \"$dataset\"").
                    '; there are '.
                    Wording::some(array_map(strval(...), array_keys($this->figures)), 8).
                    '.',
            );
    }

    public function chart(string $named): NamedChart
    {
        $chart =
            $this->charts[$named] ??
            throw new NotAccepted('chart', "The document brings no chart \"$named\" along, under \"charts\".");
        $chart->object(['dataset', 'recipe']);
        /** @var array<string, mixed> $recipe */
        $recipe = $chart->must('recipe')->plain();

        return new NamedChart($named, $chart->maybe('dataset')?->text(200) ?? '', $recipe);
    }

    public function notes(string $dataset, Question $question): NotesInChart
    {
        $calendar = $this->figures($dataset)->dataset()->calendar;
        $notes = [];
        foreach ($this->notes as $i => $given) {
            $given->object(['dataset', 'measure', 'period', 'where', 'text']);
            if (($given->maybe('dataset')?->text(200) ?? '') === $dataset) {
                $filters = array_map(QuestionReader::filter(...), $given->maybe('where')?->list() ?? []);
                $notes[] = new Note(
                    $i + 1,
                    $given->must('measure')->string(),
                    PartReader::maybePeriod($given->maybe('period'), $calendar),
                    NoteTarget::of($filters)->key(),
                    $given->must('text')->string(2000),
                );
            }
        }

        return new NotesInChart($notes, $question);
    }
}

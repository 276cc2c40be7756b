<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Report\Drawing\Library;
use KeenMargin\Core\Report\Drawing\NamedChart;
use KeenMargin\Core\Workings\About\NotesInChart;

/** What reports refer to, as it is kept: datasets and charts by their ids. */
final readonly class StoredLibrary implements Library
{
    /** @var \WeakMap<ChartRecord, NamedChart> those that were asked for, with their names */
    private \WeakMap $charts;

    public function __construct(
        private EntityManagerInterface $manager,
        private OpenDatasets $datasets,
        private DatasetNotes $notes,
        private KeptDocuments $documents,
    ) {
        $this->charts = new \WeakMap();
    }

    public function figures(string $dataset): Figures
    {
        return $this->datasets->figures($this->dataset($dataset));
    }

    public function chart(string $named): NamedChart
    {
        $chart = $this->chartRecord($named);

        return $this->charts[$chart] ??= new NamedChart(
            $chart->name, (string) $chart->dataset->id, $this->documents->recipe($chart->recipe),
        );
    }

    public function notes(string $dataset, Question $question): NotesInChart
    {
        return $this->notes->inChart($this->dataset($dataset), $question, false);
    }

    /** @throws NotAccepted where there is none */
    public function dataset(string $id): DatasetRecord
    {
        $record = ctype_digit($id) ? $this->manager->find(DatasetRecord::class, (int) $id) : null;

        if (null !== $record && null === $record->deletedAt) {
            return $record;
        }
        $name = $record->name ?? $this->documents->names->maybeLast('dataset', (int) $id);
        throw new NotAccepted(
            'dataset',
            (null === $name ? 'Its figures were' : "Its figures, “{$name}”, were").
                ' deleted. Bring them back, or choose others.',
        );
    }

    /** @throws NotAccepted where there is none */
    public function chartRecord(string $id): ChartRecord
    {
        $chart = ctype_digit($id) ? $this->manager->find(ChartRecord::class, (int) $id) : null;
        if (null !== $chart && null === $chart->deletedAt) {
            return $chart;
        }
        $name = $chart->name ?? $this->documents->names->maybeLast('chart', (int) $id);
        $what = null === $name ? 'The named chart' : "The chart “{$name}”";
        throw new NotAccepted('chart', "$what was deleted. Choose another, or take the block away.");
    }
}

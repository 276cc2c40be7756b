<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Document\References;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Report;

/** A report as a file: what it refers to goes by its name, and comes along. */
final readonly class ReportFile
{
    public function __construct(
        private EntityManagerInterface $manager,
        private ReportState $states,
        private StoredLibrary $library,
        private DatasetNotes $notes,
    ) {
    }

    /** @return array<string, mixed> as `./keen report` reads it */
    public function document(Report $report): array
    {
        $named = References::renamed($report, $this->datasetName(...), $this->chartName(...));
        $figures = $notes = [];
        foreach ($this->states->datasets($report) as $dataset) {
            $figures[$dataset->name] = $this->mapping($dataset);
            array_push($notes, ...$this->notesOf($dataset));
        }

        return ReportWriter::toArray($named) + array_filter([
            'charts' => $this->charts($report),
            'figures' => array_filter($figures),
            'notes' => $notes,
        ]);
    }

    /** @return array<string, array{dataset: string, recipe: array<string, mixed>}> by name */
    private function charts(Report $report): array
    {
        $charts = [];
        foreach ($report->pages as $page) {
            foreach ($page->blocks() as $block) {
                if ($block instanceof ChartBlock && '' !== $block->named) {
                    try {
                        $chart = $this->library->chart($block->named);
                    } catch (NotAccepted) {
                        continue;
                    }
                    $charts[$chart->name] = [
                        'dataset' => $this->datasetName($chart->dataset),
                        'recipe' => $chart->recipe,
                    ];
                }
            }
        }

        return $charts;
    }

    /** @return array<string, mixed> how its last file was read */
    private function mapping(DatasetRecord $dataset): array
    {
        $imports = $this->manager
            ->getRepository(ImportRecord::class)
            ->findBy(['dataset' => $dataset, 'takenBackAt' => null], ['id' => 'DESC']);
        foreach ($imports as $import) {
            if ([] !== $import->mapping) {
                return $import->mapping;
            }
        }

        return [];
    }

    /** @return list<array<string, mixed>> */
    private function notesOf(DatasetRecord $dataset): array
    {
        return array_values(
            array_map(
                static fn (NoteRecord $note): array => array_filter([
                    'dataset' => $dataset->name,
                    'measure' => $note->measure,
                    'period' => $note->period,
                    'where' => json_decode($note->place, true),
                    'text' => $note->text,
                ]),
                $this->notes->records($dataset),
            ),
        );
    }

    private function datasetName(string $id): string
    {
        try {
            return $this->library->dataset($id)->name;
        } catch (NotAccepted) {
            return $id;
        }
    }

    private function chartName(string $id): string
    {
        try {
            return $this->library->chart($id)->name;
        } catch (NotAccepted) {
            return $id;
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\NamedNote;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Mapping\LineRoles;
use KeenMargin\Core\Report\Document\References;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Drawing\NamedChart;
use KeenMargin\Core\Report\Report;

/** A report as a file: what it refers to goes by its name, and comes along. */
final readonly class ReportFile
{
    public function __construct(
        private EntityManagerInterface $manager,
        private ReportState $states,
        private StoredLibrary $library,
        private DatasetNotes $notes,
    ) {}

    /** @return array<string, mixed> as `./keen report` reads it */
    public function document(Report $report): array
    {
        $datasets = $this->states->datasets($report);
        $ids = array_map(static fn (DatasetRecord $dataset): string => (string) $dataset->id, $datasets);
        $names = self::apart(
            array_combine($ids, array_map(static fn (DatasetRecord $dataset): string => $dataset->name, $datasets)),
        );
        $charts = $this->charts($report);
        $chartNames = self::apart(array_map(static fn (NamedChart $chart): string => $chart->name, $charts));
        $named = References::renamed(
            $report,
            static fn (string $id): string => $names[$id] ?? $id,
            static fn (string $id): string => $chartNames[$id] ?? $id,
        );
        $figures = $notes = $told = [];
        foreach ($datasets as $dataset) {
            $name = $names[(string) $dataset->id];
            $figures[$name] = [...$this->mapping($dataset), ...$this->lines((string) $dataset->id)];
            array_push($notes, ...$this->notesOf($dataset, $name));
        }
        foreach ($charts as $id => $chart) {
            $told[$chartNames[$id]] = [
                'dataset' => $names[$chart->dataset] ?? $chart->dataset,
                'recipe' => $chart->recipe,
            ];
        }

        return ReportWriter::toArray($named) + array_filter([
            'charts' => $told,
            'figures' => array_filter($figures),
            'notes' => $notes,
        ]);
    }

    /** @return array<string, NamedChart> by id, without those that are gone */
    private function charts(Report $report): array
    {
        $charts = [];
        foreach ($report->charts() as $block) {
            try {
                '' === $block->named || ($charts[$block->named] = $this->library->chart($block->named));
            } catch (NotAccepted) {
                // Its block says so.
            }
        }

        return $charts;
    }

    /**
     * Names that stand for several get a number: `Fares`, `Fares (2)`.
     *
     * @param array<int|string, string> $names by id
     *
     * @return array<int|string, string>
     */
    private static function apart(array $names): array
    {
        $apart = [];
        foreach ($names as $id => $name) {
            $own = $name;
            for ($number = 2; \in_array($own, $apart, true); ++$number) {
                $own = "$name ($number)";
            }
            $apart[$id] = $own;
        }

        return $apart;
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

    /** @return array<string, mixed> what the lines of a statement do; nothing of other figures */
    private function lines(string $dataset): array
    {
        foreach ($this->library->figures($dataset)->dataset()->breakdowns as $breakdown) {
            $lines = LineRoles::maybeOf($breakdown);
            if (null !== $lines) {
                return ['lines' => $lines->toArray()];
            }
        }

        return [];
    }

    /** @return list<array<string, mixed>> */
    private function notesOf(DatasetRecord $dataset, string $name): array
    {
        return array_values(array_map(
            static fn (NamedNote $note): array => array_filter([
                'dataset' => $name,
                'measure' => $note->measure,
                'period' => $note->record->period,
                'where' => $note->place->filters,
                'text' => $note->record->text,
            ]),
            $this->notes->of($dataset),
        ));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Report;

/** Reports as they are kept, ready to be drawn. */
final readonly class OpenReports
{
    /** @var \WeakMap<ReportRecord, array{array<string, mixed>, Report}> what was read, and of which document */
    private \WeakMap $opened;

    public function __construct(
        private StoredLibrary $library,
        private ChartKinds $kinds,
        private KeptDocuments $documents,
    ) {
        $this->opened = new \WeakMap();
    }

    public function drawing(Report $report): ReportDrawing
    {
        return ReportDrawing::of($report, $this->library, $this->kinds);
    }

    public function of(ReportRecord $record): ReportDrawing
    {
        return $this->drawing($this->report($record));
    }

    /** @throws NotAccepted where what is kept cannot be read */
    public function report(ReportRecord $record): Report
    {
        if (!isset($this->opened[$record]) || $this->opened[$record][0] !== $record->document) {
            $this->opened[$record] = [$record->document, $this->documents->report($record->document)];
        }

        return $this->opened[$record][1];
    }

    /**
     * As its document has it: an issued one with the names that it was issued with.
     *
     * @param array<string, mixed> $document
     *
     * @throws NotAccepted
     */
    public static function read(array $document): Report
    {
        return ReportReader::read(Given::kept($document));
    }

    /**
     * A short hash of everything its pages are drawn from: it changes whenever they may look different. What is called
     * otherwise is another state of its dataset.
     *
     * @throws NotAccepted where what is kept cannot be read
     */
    public function sign(ReportRecord $record): string
    {
        $report = isset($this->opened[$record]) ? $this->report($record) : self::read($record->document);
        $states = [array_diff_key($record->document, ['accepted' => true])];
        foreach ($report->datasets() as $dataset) {
            $states[$dataset] = $this->stateOf($dataset);
        }
        foreach ($report->charts() as $block) {
            '' === $block->named || ($states["chart:$block->named"] = $this->stateOfChart($block->named));
        }
        ksort($states);

        return substr(hash('sha256', json_encode($states, \JSON_THROW_ON_ERROR)), 0, 24);
    }

    /** When something that its pages are drawn from was changed last, or a little later: never before. */
    public function changedAt(ReportRecord $record): \DateTimeImmutable
    {
        $at = $record->savedAt;
        $report = $this->report($record);
        foreach ($report->datasets() as $dataset) {
            $at = max($at, $this->maybeDataset($dataset)->usedAt ?? $at);
        }
        foreach ($report->charts() as $block) {
            $chart = '' === $block->named ? null : $this->maybeChart($block->named);
            $at = max($at, $chart->savedAt ?? $at, $chart->dataset->usedAt ?? $at);
        }

        return $at;
    }

    private function maybeDataset(string $dataset): ?DatasetRecord
    {
        try {
            return $this->library->dataset($dataset);
        } catch (NotAccepted) {
            return null;
        }
    }

    private function maybeChart(string $named): ?ChartRecord
    {
        try {
            return $this->library->chartRecord($named);
        } catch (NotAccepted) {
            return null;
        }
    }

    private function stateOf(string $dataset): string
    {
        $record = $this->maybeDataset($dataset);

        return null === $record ? 'gone' : "$record->version.$record->revision";
    }

    private function stateOfChart(string $named): string
    {
        $chart = $this->maybeChart($named);

        return null === $chart ? 'gone' : "$chart->version.".$this->stateOf((string) $chart->dataset->id);
    }
}

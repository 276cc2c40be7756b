<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Report;

/** Reports as they are kept, ready to be drawn. */
final readonly class OpenReports
{
    public function __construct(private StoredLibrary $library, private ChartKinds $kinds)
    {
    }

    public function drawing(Report $report): ReportDrawing
    {
        return new ReportDrawing($report, $this->library, $this->kinds);
    }

    public function of(ReportRecord $record): ReportDrawing
    {
        return $this->drawing(self::report($record->document));
    }

    /** @param array<string, mixed> $document as it is kept */
    public static function report(array $document): Report
    {
        return ReportReader::read(Given::kept($document));
    }

    /**
     * A short hash of everything its pages are drawn from: it changes whenever they may look different.
     */
    public function sign(Report $report): string
    {
        $states = [ReportWriter::toArray(With::of($report, ['accepted' => []]))];
        foreach ($report->datasets() as $dataset) {
            $states[$dataset] = $this->stateOf($dataset);
        }
        foreach ($report->charts() as $block) {
            '' === $block->named || ($states["chart:$block->named"] = $this->stateOfChart($block->named));
        }
        ksort($states);

        return substr(hash('sha256', json_encode($states, \JSON_THROW_ON_ERROR)), 0, 24);
    }

    private function stateOf(string $dataset): string
    {
        try {
            $record = $this->library->dataset($dataset);
        } catch (NotAccepted) {
            return 'gone';
        }

        return "$record->version.$record->revision";
    }

    private function stateOfChart(string $named): string
    {
        try {
            $chart = $this->library->chartRecord($named);
        } catch (NotAccepted) {
            return 'gone';
        }

        return "$chart->version.".$this->stateOf((string) $chart->dataset->id);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Export\Report\Origin;
use KeenMargin\App\Export\Report\ReportFormats;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\IssuedReport;
use KeenMargin\App\Storage\Reports\SourceImports;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Report\Comparing\Snapshot;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Layout\ReportPages;

/** Freezes a report as it is: document, numbers, notes, pages, PDF, and where the figures came from. */
final readonly class Issuing
{
    /** Width of the column that an issued page is read as on a phone. */
    private const PHONE = 390.0;

    public function __construct(
        private OpenReports $open,
        private ReportFormats $formats,
        private StoredOrigin $origin,
        private ReportState $states,
        private SourceImports $imports,
        private CurrentJob $job,
    ) {}

    public function of(ReportRecord $record, string $who, \DateTimeImmutable $at): IssuedReport
    {
        $report = $this->open->report($record);
        $drawing = $this->open->drawing($report);
        $closing = $drawing->closingLabel();
        $pages = new ReportPages($drawing, $at);
        $drawn = [];
        foreach ($report->pages as $i => $page) {
            $this->job->tell('Drawing the pages', $i, 2 * \count($report->pages));
            $drawn[] = [
                'sheet' => PageState::of($pages->page($page), $drawing),
                'column' => PageState::of($pages->page($page, Paper::column(self::PHONE)), $drawing),
            ];
        }

        return new IssuedReport(
            title: $report->title,
            closing: $closing,
            at: $at->format(\DateTimeInterface::ATOM),
            who: $who,
            document: self::json(ReportWriter::toArray($report)),
            snapshot: self::json(Snapshot::of($drawing)),
            pages: self::json($drawn),
            sources: self::json(array_map(
                fn (DatasetRecord $dataset): array => $this->imports->of($dataset),
                $this->states->datasets($report),
            )),
            files: $this->files($pages, $at, $this->origin->of($record)),
        );
    }

    /** @return array<string, string> bytes, by the ending of the file */
    private function files(ReportPages $pages, \DateTimeImmutable $at, Origin $origin): array
    {
        $files = [];
        foreach ($this->formats->all() as $renderer) {
            $files[$renderer->format()] = $renderer->render($pages, $at, $origin);
        }

        return $files;
    }

    /** @param array<mixed> $of */
    private static function json(array $of): string
    {
        return json_encode(
            $of,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

/** A report as it goes out. */
final readonly class IssuedReport
{
    /**
     * @param string $closing label of its closing period; blank where its figures have no time
     * @param string $at moment, as ISO 8601
     * @param string $document JSON, as ReportWriter writes it
     * @param string $snapshot JSON: every number and note behind its pages
     * @param string $pages JSON list: its pages as the page shows them
     * @param string $sources JSON list: of which imports its figures are
     * @param array<string, string> $files bytes, by the ending of the file
     */
    public function __construct(
        public string $title,
        public string $closing,
        public string $at,
        public string $who,
        public string $document,
        public string $snapshot,
        public string $pages,
        public string $sources,
        public array $files,
    ) {}
}

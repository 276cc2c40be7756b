<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Export\Report\ReportSlides;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Report;

/** A chart as a slide, laid out as a page of a report would be. */
final readonly class ChartSlides
{
    public const MEDIA_TYPE = ReportSlides::MEDIA_TYPE;

    public function __construct(
        private OpenReports $open,
        private StoredOrigin $origin,
        private DeckTemplate $template,
    ) {}

    /** @param Report $report of one chart */
    public function render(Report $report): string
    {
        $made = new \DateTimeImmutable();
        $pages = new ReportPages($this->open->drawing($report), $made);

        return (new ReportSlides($this->template))->render($pages, $made, $this->origin->ofCharts());
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\Core\Report\Layout\ReportPages;

/** Writes the pages of a report in one format. */
interface ReportRenderer
{
    /** The ending of its files, without the point. */
    public function format(): string;

    public function mediaType(): string;

    /**
     * @param \DateTimeImmutable $made moment that it is of
     * @param Origin $origin where the report and its figures are kept
     *
     * @return string bytes of the file
     */
    public function render(ReportPages $pages, \DateTimeImmutable $made, Origin $origin): string;
}

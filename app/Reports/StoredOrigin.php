<?php

declare(strict_types=1);

namespace KeenMargin\App\Reports;

use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\SourceImports;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use Symfony\Component\HttpFoundation\RequestStack;

/** Where kept reports are found by whoever has a file of them. */
final readonly class StoredOrigin
{
    public function __construct(
        private RequestStack $requests,
        private StoredLibrary $library,
        private SourceImports $imports,
    ) {}

    /** With addresses as whoever asks for it has them; without any where nobody asked over HTTP. */
    public function of(ReportRecord $report): OriginOfReport
    {
        return new OriginOfReport($this->base(), $report->id, $this->library, $this->imports);
    }

    /** Of charts that stand in no report. */
    public function ofCharts(): OriginOfReport
    {
        return new OriginOfReport($this->base(), null, $this->library, $this->imports);
    }

    private function base(): ?string
    {
        return $this->requests->getMainRequest()?->getSchemeAndHttpHost();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

/** One change of a report: from which version of its document to which. */
final readonly class ReportStep
{
    /**
     * @param string $says what was done, as a sentence without its full stop
     * @param array<int, array{string|null, string|null}> $closings of datasets that moved with it, before and after
     */
    public function __construct(
        public string $says,
        public int $was,
        public int $became,
        public array $closings = [],
        public int $id = 0,
    ) {}
}

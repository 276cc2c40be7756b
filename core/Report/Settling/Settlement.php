<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Settling;

/** What was found in a report, and what holds. */
final readonly class Settlement
{
    /**
     * @param list<ReportFinding> $findings page by page
     * @param list<string> $holds what was looked at and holds
     */
    public function __construct(public array $findings, public array $holds) {}
}

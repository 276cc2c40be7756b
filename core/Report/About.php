<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Span;

/** What a page or a report is about: it stands over the questions of its charts. */
final readonly class About
{
    /**
     * @param list<MemberFilter> $where at most one of each breakdown
     * @param ?Span $span null: each chart has its own
     * @param list<Scenario> $against references, at most two; none: each chart has its own
     */
    public function __construct(public array $where = [], public ?Span $span = null, public array $against = []) {}

    /** What a page says, and what the report says where the page is silent. */
    public function over(self $report): self
    {
        $fields = array_map(static fn (MemberFilter $filter): string => $filter->breakdown, $this->where);
        $others = array_filter(
            $report->where,
            static fn (MemberFilter $filter): bool => !\in_array($filter->breakdown, $fields, true),
        );

        return new self(
            [...array_values($others), ...$this->where],
            $this->span ?? $report->span,
            [] === $this->against ? $report->against : $this->against,
        );
    }

    public function isEmpty(): bool
    {
        return [] === $this->where && null === $this->span && [] === $this->against;
    }
}

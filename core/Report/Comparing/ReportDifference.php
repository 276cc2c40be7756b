<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Comparing;

/** Something that differs between two states of a report. */
final readonly class ReportDifference
{
    /**
     * @param string $page id
     * @param string $block id; blank: the page or its message
     * @param string $what `Net revenue, Jul 2026, ΔBU`
     * @param ?string $was null: it was not there
     * @param ?string $is null: it is not there any more
     */
    public function __construct(
        public DifferenceKind $kind,
        public string $page,
        public string $block,
        public string $what,
        public ?string $was,
        public ?string $is,
    ) {}

    /** @return array<string, ?string> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'page' => $this->page,
            'block' => $this->block,
            'what' => $this->what,
            'was' => $this->was,
            'is' => $this->is,
        ];
    }
}

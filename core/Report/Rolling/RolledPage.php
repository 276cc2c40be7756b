<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Rolling;

use KeenMargin\Core\Report\Page;

/** What becomes of a page when the closing period moves. */
final readonly class RolledPage
{
    /**
     * @param list<RolledNumber> $numbers of its message and texts that will be others
     * @param list<string> $behind texts of notes that stay with their month
     * @param list<string> $found what will have to be settled and does not have to be now
     */
    public function __construct(public Page $page, public array $numbers, public array $behind, public array $found) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->page->id,
            'title' => $this->page->title,
            'numbers' => array_map(static fn (RolledNumber $one): array => $one->toArray(), $this->numbers),
            'behind' => $this->behind,
            'found' => $this->found,
        ];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Period;

/** What a row is made of, before anything is compared: which finest periods of which sums. */
final readonly class Slice
{
    /**
     * @param list<Period> $fine   all that is in the row
     * @param list<Period> $own    those of the row itself, where $fine reaches further back
     * @param ?string      $member of the breakdown that rows are of
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $name,
        public RowRole $role,
        public array $fine,
        public array $own,
        public Sums $sums,
        public ?Period $period = null,
        public ?string $member = null,
        public int $depth = 0,
    ) {
    }
}

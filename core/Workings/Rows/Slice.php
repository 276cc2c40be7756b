<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\RowRole;

/** What a row is made of, before any comparison: which finest periods of which sums. */
final readonly class Slice
{
    /**
     * @param FinePeriods $fine all that is in the row
     * @param FinePeriods $own those of the row itself, where $fine reaches further back
     * @param ?string $member of the breakdown that rows are of
     */
    public function __construct(
        public RowKey $key,
        public string $label,
        public string $name,
        public RowRole $role,
        public FinePeriods $fine,
        public FinePeriods $own,
        public Sums $sums,
        public ?Period $period = null,
        public ?string $member = null,
        public int $depth = 0,
    ) {}
}

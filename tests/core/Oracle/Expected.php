<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** The workings as the oracle has them; null where a sum is not to be said. */
final readonly class Expected
{
    /** @param list<ExpectedRow> $rows */
    public function __construct(
        public array $rows,
        public ?Numbers $total,
        public ?Numbers $toDate,
        public ?Numbers $landing,
    ) {}
}

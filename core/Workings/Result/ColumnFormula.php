<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** How the number of a column may follow from others of the same row: `Shown minus BU`. */
final readonly class ColumnFormula
{
    /** @var non-empty-list<string> ids of columns */
    public array $columns;

    public function __construct(public DerivationRule $rule, string $column, string ...$more)
    {
        $this->columns = [$column, ...array_values($more)];
    }
}

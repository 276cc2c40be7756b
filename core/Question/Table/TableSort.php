<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Table;

/** By which column the rows of a comparison table stand in order; groups keep what stands in them. */
final readonly class TableSort
{
    public function __construct(public TableColumn $column, public bool $isLargestFirst = true) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** A number of a workbook that follows from other cells, and what it is. */
final readonly class Formula
{
    public function __construct(public string $expression, public ExactCell $is) {}
}

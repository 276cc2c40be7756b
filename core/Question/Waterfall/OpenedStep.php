<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Time\Grain;

/** A step of a waterfall that shows what it is made of, in place. */
final readonly class OpenedStep
{
    /** @param Grain|string $by periods, or a breakdown by its name */
    public function __construct(public RowKey $step, public Grain|string $by) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;

/** One of several charts of a kind: a name, and what it is about. */
final readonly class Panel
{
    /** @param list<MemberFilter|NumberFilter> $where */
    public function __construct(public string $name, public array $where)
    {
    }
}

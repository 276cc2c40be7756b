<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a capacity fill: the parts, the rate and its target, and whether the rate is an extreme. */
final class CapacityRowWriter implements RowWriter
{
    public function numbers(Row $row): array
    {
        return [
            ...array_map(WorkingsWriter::amount(...), $row->values),
            'extreme' => $row->extreme?->value,
            'variance' => WorkingsWriter::variances($row->variances, $row),
        ];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}

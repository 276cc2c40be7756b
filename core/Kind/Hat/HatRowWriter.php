<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a hat graph: both sides and the change between them. */
final class HatRowWriter implements RowWriter
{
    public function numbers(Row $row): array
    {
        $change = $row->variances['first'] ?? null;
        $only = $row->comparesOnly('first');

        return [
            ...array_map(WorkingsWriter::amount(...), $row->values),
            'change' => WorkingsWriter::amount($change?->amount),
            'percent' => WorkingsWriter::amount($change?->percent()),
            'effect' => $change?->effect->value,
            'flagged' => $change->flagged ?? false,
            ...null === $only ? [] : ['only' => $only],
        ];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of values with a target and bands. */
final class TargetedRowWriter implements RowWriter
{
    public function numbers(Row $row): array
    {
        return [
            'value' => WorkingsWriter::amount($row->shown),
            'target' => WorkingsWriter::amount($row->values[TargetedRows::TARGET] ?? null),
            'variance' => WorkingsWriter::variances($row->variances, $row),
            'band' => $row->band(),
            'limits' => array_map(
                static fn (BigDecimal $limit): string => $limit->toString(),
                $row->bands->limits ?? [],
            ),
        ];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}

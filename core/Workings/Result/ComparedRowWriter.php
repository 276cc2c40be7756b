<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Result;

/** Rows that compare what is shown with references. */
final class ComparedRowWriter implements RowWriter
{
    public function numbers(Row $row): array
    {
        return [
            'values' => array_map(WorkingsWriter::amount(...), $row->values),
            'shown' => WorkingsWriter::amount($row->shown),
            'shownScenario' => $row->shownScenario?->value,
            'variance' => WorkingsWriter::variances($row->variances, $row),
        ];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}

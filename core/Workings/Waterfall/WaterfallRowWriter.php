<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a waterfall: where each begins and ends, its change, and the numbers that it is made of. */
final class WaterfallRowWriter implements RowWriter
{
    private const PLACES = ['from', 'to', 'change', Explained::OF_SIGN, Explained::OF_TOTAL];

    public function numbers(Row $row): array
    {
        $others = array_diff_key($row->values, array_flip([...self::PLACES, 'amount']));
        $places = array_intersect_key($row->values, array_flip(self::PLACES));

        return [
            ...null === $row->parent ? [] : ['parent' => $row->parent->id],
            ...array_map(WorkingsWriter::amount(...), $places),
            'effect' => $row->effect?->value,
            'values' => [] === $others ? new \stdClass() : array_map(WorkingsWriter::amount(...), $others),
            'variance' => WorkingsWriter::variances($row->variances, $row),
        ];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a waterfall: where each begins and ends, its change, and the numbers that it is made of. */
final class WaterfallRowWriter implements RowWriter
{
    private const PLACES = ['from', 'to', 'change', Explained::OF_SIGN, Explained::OF_TOTAL];

    private const DRIVERS = [
        SumKey::Start, SumKey::Volume, SumKey::Mix, SumKey::Rate, SumKey::Currency, SumKey::New, SumKey::Gone,
        SumKey::End,
    ];

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

    /** Of a driver bridge the amount of each driver, and both totals. */
    public function besides(Workings $workings): array
    {
        $amounts = [];
        foreach ($workings->table->rows as $row) {
            $sum = $row->key->sum;
            $isDriver = null !== $sum && null === $row->parent && null === $row->key->panel;
            if ($isDriver && \in_array($sum, self::DRIVERS, true)) {
                $amounts[$sum->value] = WorkingsWriter::amount($row->values['amount'] ?? null);
            }
        }

        return isset($amounts[SumKey::Volume->value]) ? ['drivers' => $amounts] : [];
    }
}

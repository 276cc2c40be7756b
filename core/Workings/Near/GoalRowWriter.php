<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of values on their way to goals. */
final class GoalRowWriter implements RowWriter
{
    private const NUMBERS = [
        GoalNumbers::GOAL, GoalNumbers::PERCENT, GoalNumbers::REMAINING, GoalNumbers::OVER, GoalNumbers::PACE,
        GoalNumbers::BEHIND, GoalNumbers::NEEDED,
    ];

    public function numbers(Row $row): array
    {
        if (null !== $row->parent) {
            return ['parent' => $row->parent->id, 'value' => WorkingsWriter::amount($row->shown)];
        }
        $numbers = ['value' => WorkingsWriter::amount($row->shown)];
        foreach (self::NUMBERS as $key) {
            $numbers[$key] = WorkingsWriter::amount($row->values[$key] ?? null);
        }
        $estimate = null === $row->estimate
            ? null
            : [
                'period' => $row->estimate->reached?->key(),
                'last' => $row->estimate->count,
                'rate' => $row->estimate->rate->toString(),
            ];

        return [
            ...$numbers,
            'expected' => $row->isLimit ? null : $estimate,
            ...$row->isLimit ? ['limit' => true, 'usedUp' => $estimate] : [],
        ];
    }

    public function besides(Workings $workings): array
    {
        return [];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\ComparedRowWriter;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a comparison, with shares, progress and trends where there are columns of them. */
final readonly class TableRowWriter implements RowWriter
{
    /** Numbers that are no scenario's, and those of them that are written. */
    private const NUMBERS = [...self::BESIDES, GoalNumbers::PERCENT, GoalNumbers::PACE];
    private const BESIDES = [TableWorkings::SHARE, GoalNumbers::GOAL, TableWorkings::PROGRESS];

    private ComparedRowWriter $compared;

    public function __construct()
    {
        $this->compared = new ComparedRowWriter();
    }

    public function numbers(Row $row): array
    {
        $besides = array_intersect_key($row->values, array_flip(self::BESIDES));
        $scenarios = With::of($row, ['values' => array_diff_key($row->values, array_flip(self::NUMBERS))]);

        return [
            ...$this->compared->numbers($scenarios),
            ...array_map(WorkingsWriter::amount(...), $besides),
            ...null === $row->trend ? [] : ['trend' => array_map(WorkingsWriter::amount(...), $row->trend->amounts())],
        ];
    }

    public function besides(Workings $workings): array
    {
        return $this->compared->besides($workings);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\ComparedRowWriter;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Rows of a comparison, with shares, progress and trends where there are columns of them. */
final readonly class TableRowWriter implements RowWriter
{
    private ComparedRowWriter $compared;

    public function __construct()
    {
        $this->compared = new ComparedRowWriter();
    }

    public function numbers(Row $row): array
    {
        $more = [];
        foreach ([TableWorkings::SHARE, GoalNumbers::GOAL, TableWorkings::PROGRESS] as $key) {
            if (\array_key_exists($key, $row->values)) {
                $more[$key] = WorkingsWriter::amount($row->values[$key]);
            }
        }

        return [
            ...$this->compared->numbers($row),
            ...$more,
            ...[] === $row->trend
                ? []
                : ['trend' => array_map(static fn (?BigDecimal $one): ?string => $one?->toString(), $row->trend)],
        ];
    }

    public function besides(Workings $workings): array
    {
        return $this->compared->besides($workings);
    }
}

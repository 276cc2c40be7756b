<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

use KeenMargin\Core\Workings\Result\RowNote;

/** What a chart is drawn with besides its numbers and its finish. */
final readonly class ChartOptions
{
    /**
     * @param list<RowNote> $notes numbered in the chart, in reading order
     * @param bool $areNotesWritten whether their texts stand below the chart, too
     * @param ?int $firstRows of a table, how many rows are drawn; it is as high as with all of them. Null: all. Other
     *                        kinds draw all rows.
     */
    public function __construct(
        public array $notes = [],
        public bool $areNotesWritten = false,
        public ?int $firstRows = null,
    ) {}
}

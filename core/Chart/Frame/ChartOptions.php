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
     * @param array<string, float> $mostPerUnit points that a unit may have at most, by scale, where other charts share
     *                                          the scale
     */
    public function __construct(
        public array $notes = [],
        public bool $areNotesWritten = false,
        public array $mostPerUnit = [],
    ) {
    }

    /**
     * The same beside other charts.
     *
     * @param array<string, float> $mostPerUnit
     */
    public function onScale(array $mostPerUnit): self
    {
        return new self($this->notes, $this->areNotesWritten, $mostPerUnit);
    }
}

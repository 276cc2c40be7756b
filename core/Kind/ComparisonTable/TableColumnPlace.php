<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\LinearScale;
use KeenMargin\Core\Question\Table\TableColumn;

/** Where a column stands, and the scale of what is drawn in it. */
final readonly class TableColumnPlace
{
    /**
     * @param float $left in points, as $right
     * @param non-empty-list<LabelWidths> $labels what the labels of each panel need
     * @param bool $isNumber whether it holds numbers only, which stand right
     */
    public function __construct(
        public TableColumn $column,
        public float $left,
        public float $right,
        public LinearScale $scale,
        public array $labels,
        public bool $isNumber,
    ) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Text;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Part\RowKey;

/** A number in a text that was taken from the workings of a chart or of a key figure. */
final readonly class LiveNumber
{
    /**
     * @param string $said as the text writes it: `48`
     * @param string $of id of the block or of the key figure
     * @param ?RowKey $row null: the row of the closing period, whichever that is
     * @param string $column id of a column of the workings
     * @param BigDecimal $exact as it was when it was taken, in the measure's own unit
     * @param bool $follows whether the text says what the number is now; else it is marked once it is another
     */
    public function __construct(
        public string $said,
        public string $of,
        public ?RowKey $row,
        public string $column,
        public BigDecimal $exact,
        public bool $follows = true,
    ) {}
}

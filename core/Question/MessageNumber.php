<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use Brick\Math\BigDecimal;

/** A number of the workings as it was when a message took it. */
final readonly class MessageNumber
{
    /**
     * @param string $said as the message writes it: `48`
     * @param string $column id of the column
     */
    public function __construct(
        public string $said,
        public RowKey $row,
        public string $column,
        public BigDecimal $exact,
    ) {}
}

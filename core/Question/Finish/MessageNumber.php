<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Shape\Key;
use KeenMargin\Core\Question\Part\RowKey;

/** A number of the workings as it was when a message took it. */
final readonly class MessageNumber
{
    public function __construct(
        #[Key('as the message writes it, such as `48`', most: 60)] public string $said,
        #[Key('the row of the workings')] public RowKey $row,
        #[Key('id of the column of the workings', most: 300)] public string $column,
        #[Key('how much it was')] public BigDecimal $exact,
    ) {}
}

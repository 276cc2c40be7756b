<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

/**
 * A bridge over periods: from an opening value by movements to a closing value. A measure that is taken as the last of
 * its periods is a balance itself; of any other measure the amounts are movements.
 */
final readonly class BalanceBridge
{
    /**
     * @param ?string $balance a measure that states the balance at the end of each period; null: the opening value is
     *                         the sum of all movements before the span
     */
    public function __construct(public ?string $balance = null) {}
}

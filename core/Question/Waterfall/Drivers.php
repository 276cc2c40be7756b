<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

/** The measures that a value is the product of: bookings × price = revenue. */
final readonly class Drivers
{
    /** @param ?string $currency a measure of exchange rates, by which price and currency are told apart; null: none */
    public function __construct(public string $volume, public string $value, public ?string $currency = null) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Number;

/** Codes and signs by which currencies are known without anything else that says so. */
final class Currency
{
    /** ISO 4217, those that figures usually come in. */
    public const CODES = [
        'EUR', 'USD', 'GBP', 'CHF', 'JPY', 'CNY', 'SEK', 'NOK', 'DKK', 'ISK', 'PLN', 'CZK', 'HUF', 'RON', 'BGN', 'TRY',
        'CAD', 'AUD', 'NZD', 'SGD', 'HKD', 'INR', 'BRL', 'MXN', 'ZAR', 'ILS', 'AED', 'KRW', 'THB',
    ];
    public const SIGNS = ['€' => 'EUR', '$' => 'USD', '£' => 'GBP', '¥' => 'JPY'];

    public static function isOne(string $text): bool
    {
        return \in_array($text, self::CODES, true) || isset(self::SIGNS[$text]);
    }
}

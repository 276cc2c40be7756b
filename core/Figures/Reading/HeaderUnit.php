<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** The unit within a column's name: `Net revenue (EUR)`, `Fuel in EUR`, `Punctuality %`. */
final class HeaderUnit
{
    private const SIGNS = ['€' => 'EUR', '$' => 'USD', '£' => 'GBP', '¥' => 'JPY'];

    /** @return array{string, ?string} the name without its unit, and the unit */
    public static function split(string $name): array
    {
        if (1 === preg_match('/^(?<name>.*?)[ ,]*(?:[(\[]\s*(?<a>[A-Z]{3}|[€$£¥%])\s*[)\]]|\bin (?<b>[A-Z]{3}|[€$£¥%])|(?<c>[€$£¥%]))$/u', $name, $part, \PREG_UNMATCHED_AS_NULL)) {
            $unit = $part['a'] ?? $part['b'] ?? $part['c'] ?? '';

            return [trim((string) $part['name']), self::SIGNS[$unit] ?? $unit];
        }

        return [trim($name), null];
    }

    /**
     * The unit that the cells themselves bear: `12.5 %`, `€ 120`.
     *
     * @param list<string> $cells
     */
    public static function maybeOfCells(array $cells): ?string
    {
        foreach (\array_slice($cells, 0, 50) as $cell) {
            if (1 === preg_match('/[%€$£¥]|\b[A-Z]{3}\b/u', $cell, $sign)) {
                return self::SIGNS[$sign[0]] ?? $sign[0];
            }
        }

        return null;
    }
}

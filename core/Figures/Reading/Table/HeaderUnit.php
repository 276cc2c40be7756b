<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

use KeenMargin\Core\Number\Currency;

/**
 * The unit within a column's name and how many of it an amount of one stands for:
 * `Net revenue (EUR)`, `Fuel in k EUR`, `Freight TEUR`, `Punctuality %`.
 */
final readonly class HeaderUnit
{
    private const FACTORS = [
        'k' => 3,
        't' => 3,
        'tsd' => 3,
        "'000" => 3,
        '000' => 3,
        '000s' => 3,
        'thousand' => 3,
        'thousands' => 3,
        'm' => 6,
        'mn' => 6,
        'mm' => 6,
        'mio' => 6,
        'million' => 6,
        'millions' => 6,
        'bn' => 9,
        'mrd' => 9,
        'billion' => 9,
        'billions' => 9,
    ];
    private const SCALE = "(?:k|t|tsd\\.?|'?000s?|thousands?|m|mn|mm|mio\\.?|millions?|bn|mrd\\.?|billions?)";
    private const CURRENCY = '(?:[A-Z]{3}|[€$£¥%])';

    /**
     * @param string $name the name without its unit
     * @param ?string $unit null where none is told
     * @param int $power of ten that the amounts are in
     */
    public function __construct(public string $name, public ?string $unit = null, public int $power = 0) {}

    public static function split(string $name): self
    {
        $unit =
            '(?<scale>(?i:'.
            self::SCALE.
            '))?\s?(?:of )?(?<unit>'.
            self::CURRENCY.
            ')?\s?(?<after>(?i:'.
            self::SCALE.
            '))?';
        $shapes = [
            '/^(?<name>.*?)[ ,]*[(\[]\s*(?:in )?'.$unit.'\s*[)\]]$/u',
            '/^(?<name>.*?)[ ,]*\b(?:in|amounts in|figures in)\s+'.$unit.'$/u',
            '/^(?<name>.*?)[ ,]*(?<scale>)(?<unit>[€$£¥%])(?<after>)$/u',
            '/^(?<name>.*?)[ ,]+(?<scale>[TkM])(?<unit>EUR|USD|GBP|CHF|€)(?<after>)$/u',
            '/^(?<name>.+?)[ ,_]+(?:(?<scale>(?i:'.
            self::SCALE.
            '))\s?)?(?<unit>'.
            implode('|', Currency::CODES).
            ')(?:\s(?<after>(?i:'.
            self::SCALE.
            ')))?$/u',
        ];
        foreach ($shapes as $shape) {
            if (
                1 === preg_match($shape, $name, $part, \PREG_UNMATCHED_AS_NULL)
                && '' !== ($part['scale'] ?? '').($part['unit'] ?? '').($part['after'] ?? '')
            ) {
                $word = rtrim(mb_strtolower(($part['scale'] ?? '').($part['after'] ?? '')), '.');
                $sign = $part['unit'] ?? '';
                if ('' === $sign && 1 === mb_strlen($word) && 'k' !== $word) {
                    continue; // metres and tonnes, not millions and thousands
                }

                return new self(
                    trim((string) $part['name'], " \t-–,:"),
                    '' === $sign ? null : Currency::SIGNS[$sign] ?? $sign,
                    '' === $word ? 0 : self::FACTORS[$word] ?? (self::FACTORS[ltrim($word, "'")] ?? 0),
                );
            }
        }

        return new self(trim($name));
    }

    /** Whether a unit or a power of ten is told. */
    public function isTold(): bool
    {
        return null !== $this->unit || $this->power > 0;
    }

    /**
     * The first of several texts that tells a unit, such as the notes above a table: `Operating statement, in k EUR`.
     *
     * @param list<string> $texts
     */
    public static function maybeOf(array $texts): ?self
    {
        foreach ($texts as $text) {
            $found = self::split($text);
            if ($found->isTold()) {
                return $found;
            }
        }

        return null;
    }

    /**
     * The unit that the cells themselves bear: `12.5 %`, `€ 120`.
     *
     * @param list<string> $cells
     */
    public static function maybeOfCells(array $cells): ?string
    {
        foreach (\array_slice($cells, 0, 50) as $cell) {
            if (1 === preg_match('/[%€$£¥]|\b[A-Z]{3}\b/u', $cell, $sign) && 1 === preg_match('/\d/', $cell)) {
                return Currency::SIGNS[$sign[0]] ?? $sign[0];
            }
        }

        return null;
    }
}

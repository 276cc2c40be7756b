<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/**
 * Widths of text from the advance widths of the shipped fonts, without kerning (which chart text turns off).
 */
final class TextMeasure
{
    /** For letters that none of the shipped fonts has: as wide as any. */
    private const UNKNOWN = 1000;
    private const MINUS = "\u{2212}";

    /** Texts of a weight whose widths are kept. */
    private const MOST_KNOWN = 4000;

    /** @var array<int, array<int, int>>|null */
    private static ?array $widths = null;
    /** @var array<int, array<int|string, int>> thousandths of the size, by weight and text */
    private static array $known = [];

    /**
     * Texts of a chart are measured several times while they are placed.
     *
     * @param 400|500|600 $weight
     */
    public static function width(string $text, float $size, int $weight = 400): float
    {
        if (!isset(self::$known[$weight][$text])) {
            if (\count(self::$known[$weight] ?? []) >= self::MOST_KNOWN) {
                self::$known[$weight] = [];
            }
            self::$known[$weight][$text] = self::thousandths($text, $weight);
        }

        return (self::$known[$weight][$text] * $size) / 1000;
    }

    /**
     * @param 400|500|600 $weight
     *
     * @return int thousandths of the size of the font
     */
    private static function thousandths(string $text, int $weight): int
    {
        $widths = (self::$widths ??= require __DIR__.'/advance-widths.php')[$weight];
        $sum = 0;
        // The true minus sign is what most texts of charts have beside plain letters.
        if (str_contains($text, self::MINUS)) {
            $sum = substr_count($text, self::MINUS) * $widths[0x2212];
            $text = str_replace(self::MINUS, '', $text);
        }
        if (mb_check_encoding($text, 'ASCII')) {
            foreach (count_chars($text, 1) as $letter => $times) {
                $sum += $times * ($widths[$letter] ?? self::UNKNOWN);
            }
        } else {
            foreach (mb_str_split($text) as $letter) {
                $code = mb_ord($letter);
                $sum += $widths[$code] ?? (FallbackFonts::maybeWidth($code) ?? self::UNKNOWN);
            }
        }

        return $sum;
    }

    /**
     * Whether the fonts have all of its letters.
     *
     * @param 400|500|600 $weight
     */
    public static function isWhole(string $text, int $weight): bool
    {
        $widths = (self::$widths ??= require __DIR__.'/advance-widths.php')[$weight];

        return [] ===
            array_filter(mb_str_split($text), static fn (string $letter): bool => !isset($widths[mb_ord($letter)]));
    }

    /**
     * Cuts a text into lines no wider than given, between words; a word that is too wide is cut within.
     *
     * @param 400|500|600 $weight
     *
     * @return non-empty-list<string>
     */
    public static function lines(string $text, float $width, float $size, int $weight = 400): array
    {
        if (self::width($text, $size, $weight) <= $width) {
            return [$text];
        }
        $lines = [''];
        foreach (explode(' ', $text) as $word) {
            $last = \count($lines) - 1;
            $joined = '' === $lines[$last] ? $word : $lines[$last].' '.$word;
            if (self::width($joined, $size, $weight) <= $width) {
                $lines[$last] = $joined;
                continue;
            }
            $pieces = self::pieces($word, $width, $size, $weight);
            array_push($lines, ...$pieces);
        }

        return array_values(array_filter($lines, static fn (string $line): bool => '' !== $line)) ?: [''];
    }

    /**
     * The text, or as much of it as has room, with an ellipsis.
     *
     * @param 400|500|600 $weight
     */
    public static function shortened(string $text, float $width, float $size, int $weight = 400): string
    {
        if (self::width($text, $size, $weight) <= $width) {
            return $text;
        }
        $pieces = self::pieces($text, $width - self::width('…', $size, $weight), $size, $weight);

        return rtrim($pieces[0]).'…';
    }

    /**
     * @param 400|500|600 $weight
     *
     * @return list<string>
     */
    private static function pieces(string $word, float $width, float $size, int $weight): array
    {
        $pieces = [''];
        foreach (mb_str_split($word) as $letter) {
            $last = \count($pieces) - 1;
            if ('' !== $pieces[$last] && self::width($pieces[$last].$letter, $size, $weight) > $width) {
                $pieces[] = $letter;
            } else {
                $pieces[$last] .= $letter;
            }
        }

        return $pieces;
    }
}

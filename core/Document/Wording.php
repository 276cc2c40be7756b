<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/** Writes lists within sentences: `a, b and c`, `a or b`. */
final class Wording
{
    /** @param list<string> $words `a`, `a and b`, `a, b and c` */
    public static function and(array $words): string
    {
        return self::joined($words, 'and');
    }

    /** @param list<string> $words */
    public static function either(array $words): string
    {
        return self::joined($words, 'or');
    }

    /**
     * The first few and how many more: `Jan, Feb and 3 more`.
     *
     * @param list<string> $words
     */
    public static function some(array $words, int $most): string
    {
        $more = \count($words) - $most;

        return $more > 0 ? self::and([...\array_slice($words, 0, $most), "$more more"]) : self::and($words);
    }

    public static function count(int $count, string $one, string $many): string
    {
        return 1 === $count ? "1 $one" : number_format($count)." $many";
    }

    /** `three`, `first`: small numbers as words, others in digits. */
    public static function number(int $number): string
    {
        return [
            1 => 'one',
            'two',
            'three',
            'four',
            'five',
            'six',
            'seven',
            'eight',
            'nine',
            'ten',
            'eleven',
            'twelve',
        ][$number] ?? number_format($number);
    }

    public static function ordinal(int $number): string
    {
        return [
            1 => 'first',
            'second',
            'third',
            'fourth',
            'fifth',
            'sixth',
            'seventh',
            'eighth',
            'ninth',
            'tenth',
            'eleventh',
            'twelfth',
        ][$number] ?? self::nth($number);
    }

    /** `1st`, `10th`, `22nd` */
    public static function nth(int $number): string
    {
        $ending = [1 => 'st', 2 => 'nd', 3 => 'rd'][$number % 10] ?? 'th';

        return $number.(\in_array($number % 100, [11, 12, 13], true) ? 'th' : $ending);
    }

    /** A name's first letter made small, unless it is an abbreviation. */
    public static function withinSentence(string $name): string
    {
        return 1 === preg_match('/^\p{Lu}\p{Ll}/u', $name)
            ? mb_strtolower(mb_substr($name, 0, 1)).mb_substr($name, 1)
            : $name;
    }

    public static function plural(string $name): string
    {
        return match (true) {
            1 === preg_match('/(s|x|ch|sh)$/i', $name) => $name.'es',
            1 === preg_match('/[^aeiou]y$/i', $name) => substr($name, 0, -1).'ies',
            default => $name.'s',
        };
    }

    /** @param list<string> $words */
    private static function joined(array $words, string $last): string
    {
        $end = array_pop($words);

        return [] === $words ? (string) $end : implode(', ', $words)." $last $end";
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/** Lists within sentences. */
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

    /** @param list<string> $words */
    private static function joined(array $words, string $last): string
    {
        $end = array_pop($words);

        return [] === $words ? (string) $end : implode(', ', $words)." $last $end";
    }
}

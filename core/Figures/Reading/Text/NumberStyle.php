<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** Which sign parts whole from fraction: `1,234.50` or `1.234,50`. */
enum NumberStyle: string
{
    case Point = '.';
    case Comma = ',';

    private const NUMBER = '/^[^\d\pL]*(?:\p{Lu}{3}\s*)?[-+]?[\d.,\s\'’]*\d[^\d\pL]*(?:\p{Lu}{3})?[^\d\pL]*$/u';

    /**
     * What the numbers themselves prove; none where nothing does (`1.234`, `302`).
     *
     * @param list<string> $texts
     */
    public static function maybeProven(array $texts): ?self
    {
        $votes = ['.' => 0, ',' => 0];
        foreach ($texts as $text) {
            if (1 !== preg_match(self::NUMBER, $text)) {
                continue;
            }
            $points = substr_count($text, '.');
            $commas = substr_count($text, ',');
            $decimal = match (true) {
                $points > 0 && $commas > 0 => strrpos($text, '.') > strrpos($text, ',') ? '.' : ',',
                $points > 1 => ',',
                $commas > 1 => '.',
                1 === $points && 1 !== preg_match('/(?<!\d)[1-9]\d{0,2}\.\d{3}(?!\d)/', $text) => '.',
                1 === $commas && 1 !== preg_match('/(?<!\d)[1-9]\d{0,2},\d{3}(?!\d)/', $text) => ',',
                default => null,
            };
            if (null !== $decimal) {
                ++$votes[$decimal];
            }
        }

        return match (true) {
            $votes['.'] > $votes[','] => self::Point,
            $votes[','] > $votes['.'] => self::Comma,
            default => null,
        };
    }

    /**
     * Whether the numbers can be read in two ways that differ: `1.234`.
     *
     * @param list<string> $texts
     */
    public static function isAmbiguous(array $texts): bool
    {
        return null === self::maybeProven($texts) && [] !== preg_grep('/\d[.,]\d{3}(?!\d)/', $texts);
    }
}

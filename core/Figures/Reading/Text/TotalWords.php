<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** The words by which files call what is the sum of other rows or columns. */
final class TotalWords
{
    private const CERTAIN = '/^(?:grand |sub-?|overall '
        .')?(?:totals?|sum|summe|gesamt(?:summe)?|zwischensumme|somme)\.?:?$/iu';
    private const WORDS = '(?:grand |sub-?|overall )?(?:totals?|sum|results?|summe|gesamt|ergebnis|somme|résultat)\b';
    private const BEGINNING = '/^(?:\*+|'.self::WORDS.')/iu';
    private const LIKELY = '/^(?:total|all|gesamt|alle|tous|toutes)\b.+$|^.+ (?:total|gesamt)$/iu';

    /** `Total`, `Grand total`: nobody's name. */
    public static function isTotal(string $text): bool
    {
        return 1 === preg_match(self::CERTAIN, trim($text));
    }

    /** `* Sound`, `** Total`, `Total freight`, `Result before tax`: a total where the row tells no period. */
    public static function begins(string $text): bool
    {
        return 1 === preg_match(self::BEGINNING, trim($text));
    }

    /** How many asterisks a total begins with, `** Europe`: those of more hold those of fewer. */
    public static function level(string $text): int
    {
        return max(1, strspn(trim($text), '*'));
    }

    /** `Sound` of `* Total Sound`: whose total it is. */
    public static function of(string $text): string
    {
        return (string) preg_replace('/^[*\s]*(?:'.self::WORDS.')?(?:\s+of\b)?[\s:–-]*/iu', '', trim($text));
    }

    /** `All routes`, `Total costs`: a total where it is the sum of the others, else a name. */
    public static function isLikely(string $text): bool
    {
        return 1 === preg_match(self::LIKELY, trim($text));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** The words by which files call what is the sum of other rows or columns. */
final class TotalWords
{
    private const CERTAIN = '/^(?:grand |sub-?|overall '
        .')?(?:totals?|sum|summe|gesamt(?:summe)?|zwischensumme|somme)\.?:?$/iu';
    private const LIKELY = '/^(?:total|all|gesamt|alle|tous|toutes)\b.+$|^.+ (?:total|gesamt)$/iu';

    /** `Total`, `Grand total`: nobody's name. */
    public static function isTotal(string $text): bool
    {
        return 1 === preg_match(self::CERTAIN, trim($text));
    }

    /** `All routes`, `Total costs`: a total where it is the sum of the others, else a name. */
    public static function isLikely(string $text): bool
    {
        return 1 === preg_match(self::LIKELY, trim($text));
    }
}

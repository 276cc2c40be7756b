<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Scene\FallbackFonts;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;

/**
 * A text letter by letter, from left to right, each with the font that has it and the place that it was measured for.
 */
final class DrawnText
{
    /** Of scripts that are written from right to left. */
    private const TURNED = '/[\x{590}-\x{8FF}\x{FB1D}-\x{FEFC}]/u';
    /** Joiners and variation selectors say how letters look, and have none themselves. */
    private const UNSEEN = '/[\x{200B}-\x{200F}\x{FE00}-\x{FE0F}]/u';

    /**
     * @return list<array{letter: string, font: ?string, left: float}> font: one of FallbackFonts::NAMES; none for the
     *                                                                 type itself
     */
    public static function letters(Text $text): array
    {
        $letters = mb_str_split(
            (string) preg_replace(
                self::UNSEEN,
                '',
                1 === preg_match(self::TURNED, $text->text) ? self::seen($text->text) : $text->text,
            ),
        );
        $widths = array_map(
            static fn (string $letter): float => TextMeasure::width($letter, $text->size, $text->weight),
            $letters,
        );
        $sum = array_sum($widths);
        // Joined letters are a little wider or narrower than those that were measured.
        $scale = $sum > 0.0 ? $text->width / $sum : 1.0;
        $left = $text->box()->left;
        $drawn = [];
        foreach ($letters as $i => $letter) {
            $font = TextMeasure::isWhole($letter, $text->weight) ? null : FallbackFonts::maybeName($letter);
            $drawn[] = [
                'letter' => null === $font ? $letter : FallbackFonts::inTwoBytes($letter),
                'font' => $font,
                'left' => $left,
            ];
            $left += $widths[$i] * $scale;
        }

        return $drawn;
    }

    /** In the order in which it is seen, Arabic letters joined (Unicode Standard Annex 9). */
    private static function seen(string $text): string
    {
        $font = ['subsetchars' => []];
        $codes = \TCPDF_FONTS::UTF8StringToArray($text, true, $font);
        /** @var list<int> $seen */
        $seen = \TCPDF_FONTS::utf8Bidi($codes, $text, false, true, $font);

        return implode('', array_map(mb_chr(...), $seen));
    }
}

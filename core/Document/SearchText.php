<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/** Text as it is sought: without case and without marks on letters. */
final class SearchText
{
    /** Letters that are no others with a mark. */
    private const OTHERS = [
        'ø' => 'o', 'æ' => 'ae', 'œ' => 'oe', 'ł' => 'l', 'đ' => 'd', 'ð' => 'd', 'þ' => 'th', 'ı' => 'i', 'ħ' => 'h',
    ];

    /** `oresund` of `Öresund`, `strasse` of `Straße`; what is no UTF-8 stays as it is. */
    public static function folded(string $text): string
    {
        if (1 !== preg_match('/[^\x00-\x7F]/', $text)) {
            return strtolower($text);
        }
        $apart = \Normalizer::normalize($text, \Normalizer::FORM_KD);
        if (!\is_string($apart)) {
            return $text;
        }
        $plain = (string) preg_replace('/\p{Mn}+/u', '', $apart);

        return strtr(mb_convert_case($plain, \MB_CASE_FOLD, 'UTF-8'), self::OTHERS);
    }
}

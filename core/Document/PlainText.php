<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

/**
 * Text from outside as it may be kept: nothing in it that nobody sees, that turns what follows around, or that XML
 * cannot hold.
 */
final class PlainText
{
    /** Controls but tab and line ends, and code points that are no characters (Unicode 23.7). */
    private const NO_TEXT = '/[\x{0}-\x{8}\x{B}\x{C}\x{E}-\x{1F}\x{7F}-\x{9F}'
        .'\x{FDD0}-\x{FDEF}\x{FFFE}\x{FFFF}\x{1FFFE}\x{1FFFF}]/u';
    /** Embeddings, overrides and isolates (Unicode Standard Annex 9). */
    private const TURNING = '/[\x{202A}-\x{202E}\x{2066}-\x{2069}]/u';

    /**
     * `"a\x07b"` is `ab`; a right-to-left override is shown as what it is: `[U+202E]`.
     */
    public static function of(string $text): string
    {
        if (1 !== preg_match('/[\x00-\x08\x0B-\x1F\x7F-\xFF]/', $text)) {
            return $text;
        }
        $plain = (string) preg_replace(self::NO_TEXT, '', mb_scrub($text));

        return (string) preg_replace_callback(
            self::TURNING,
            static fn (array $sign): string => \sprintf('[U+%04X]', mb_ord($sign[0])),
            $plain,
        );
    }

    /** What stands in a file of XML: it has no way to write the rest (XML 1.0, 2.2). */
    public static function xml(string $text): string
    {
        return 1 === preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F-\xFF]/', $text)
            ? (string) preg_replace(
                '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u',
                "\u{FFFD}",
                mb_scrub($text),
            )
            : $text;
    }
}

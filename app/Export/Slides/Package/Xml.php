<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

/** Texts and lengths as the parts of a deck write them. */
final class Xml
{
    /** English Metric Units in a point: the whole numbers that a deck measures in. */
    public const PER_POINT = 12_700;
    public const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";
    public const DRAWING = 'http://schemas.openxmlformats.org/drawingml/2006/main';
    public const PRESENTATION = 'http://schemas.openxmlformats.org/presentationml/2006/main';
    public const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    /** The namespaces of a part that shows shapes. */
    public const NAMESPACES =
        'xmlns:a="'.self::DRAWING.'" xmlns:r="'.self::RELATIONS.'" xmlns:p="'.self::PRESENTATION.'"';

    private const PLAIN = '0123456789.,-+% :/()=[]~_ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

    /** Characters that XML does not allow are left out. */
    public static function text(string $text): string
    {
        if (\strlen($text) === strspn($text, self::PLAIN)) {
            return $text;
        }
        $allowed = '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u';
        $text = preg_replace($allowed, '', mb_scrub($text)) ?? '';

        // Within attributes a plain line end would be read as a space.
        return str_replace("\n", '&#10;', htmlspecialchars($text, \ENT_QUOTES | \ENT_XML1, 'UTF-8'));
    }

    /** What an attribute of a tag says; blank where it has none of that name. */
    public static function attribute(string $tag, string $name): string
    {
        $isThere = 1 === preg_match('~\s'.$name.'\s*=\s*(?:"([^"]*)"|\'([^\']*)\')~', $tag, $found);

        return $isThere ? self::plain('' === $found[1] ? $found[2] ?? '' : $found[1]) : '';
    }

    /** What is written in XML as it is read. */
    public static function plain(string $written): string
    {
        return str_contains($written, '&') ? html_entity_decode($written, \ENT_QUOTES | \ENT_XML1, 'UTF-8') : $written;
    }

    /** A length in points as whole units. */
    public static function emu(float $points): int
    {
        return (int) round($points * self::PER_POINT);
    }

    public static function points(int $emu): float
    {
        return $emu / self::PER_POINT;
    }
}

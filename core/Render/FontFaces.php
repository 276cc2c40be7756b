<?php

declare(strict_types=1);

namespace KeenMargin\Core\Render;

use KeenMargin\Core\Scene\FallbackFonts;
use KeenMargin\Core\Scene\TextMeasure;

/** The shipped font files, each with the letters that it holds; read only when a scene needs them. */
final class FontFaces
{
    /** Behind the name of the type: a family that takes over where that lacks a letter. */
    public const FALLBACK = ' Fallback';

    /** @var array<string, string> base64 by file */
    private array $encoded = [];
    /** @var array<string, list<array{int, int}>> */
    private array $bounds = [];
    /** @var array<string, bool> by ranges and letters */
    private array $held = [];

    /**
     * @param list<array{family: string, weight: int, file: string, ranges: string}> $faces
     * @param \Closure(string): string $read gives the bytes of a file
     * @param (\Closure(string, string): string)|null $part gives a fallback font by its name, with the given letters at
     *                                                      least; none: what the type lacks is left to whoever shows it
     */
    public function __construct(
        private readonly array $faces,
        private readonly \Closure $read,
        private readonly ?\Closure $part = null,
    ) {}

    /**
     * The files of a folder that has a faces.json.
     *
     * @param (\Closure(string, string): string)|null $part gives the bytes of a font file with the outlines of the
     *                                                      given letters
     */
    public static function folder(string $folder, ?\Closure $part = null): self
    {
        /** @var list<array{family: string, weight: int, file: string, ranges: string}> $faces */
        $faces = json_decode((string) file_get_contents("$folder/faces.json"), true, 8, \JSON_THROW_ON_ERROR);

        return new self(
            $faces,
            static fn (string $file): string => (string) file_get_contents("$folder/$file"),
            null === $part
                ? null
                : static fn (string $name, string $letters): string => $part("$folder/fallback/$name.ttf", $letters),
        );
    }

    /**
     * Style rules that carry the fonts for the letters used.
     *
     * @param array<int, string> $texts what is written, by weight
     */
    public function css(string $family, array $texts): string
    {
        $css = '';
        $letters = array_map(
            static fn (string $text): string => implode('', array_unique(mb_str_split($text))),
            $texts,
        );
        foreach ($this->faces as $face) {
            $used = $letters[$face['weight']] ?? '';
            if (
                $face['family'] === $family
                && '' !== $used
                && ($this->held[$face['ranges'].$used] ??= $this->holdsAny($face['ranges'], $used))
            ) {
                $data = $this->encoded[$face['file']] ??= base64_encode(($this->read)($face['file']));
                $css .= "@font-face{font-family:'$family';font-weight:{$face['weight']};"
                    ."unicode-range:{$face['ranges']};src:url(data:font/woff2;base64,$data) format('woff2')}";
            }
        }

        return $css.$this->fallback($family.self::FALLBACK, implode('', $texts));
    }

    /** Rules that carry other fonts for the letters that the type lacks. */
    private function fallback(string $family, string $text): string
    {
        if (null === $this->part || 1 !== preg_match('/[^\x{0}-\x{24F}]/u', $text)) {
            return '';
        }
        $letters = [];
        foreach (array_unique(mb_str_split($text)) as $letter) {
            $name = TextMeasure::isWhole($letter, 400) ? null : FallbackFonts::maybeName($letter);
            null === $name || ($letters[$name][] = $letter);
        }
        $css = '';
        foreach ($letters as $name => $own) {
            $range = implode(
                ',',
                array_map(static fn (string $letter): string => \sprintf('U+%X', mb_ord($letter)), $own),
            );
            $data = base64_encode(($this->part)($name, implode('', $own)));
            $css .= "@font-face{font-family:'$family';unicode-range:$range;src:url(data:font/ttf;base64,$data) "
                ."format('truetype')}";
        }

        return $css;
    }

    private function holdsAny(string $ranges, string $letters): bool
    {
        $bounds = $this->bounds[$ranges] ??= self::parsed($ranges);
        foreach (mb_str_split($letters) as $letter) {
            $code = mb_ord($letter);
            foreach ($bounds as [$from, $to]) {
                if ($code >= $from && $code <= $to) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<array{int, int}> of `U+0020-007E,U+2212` */
    private static function parsed(string $ranges): array
    {
        return array_map(static function (string $range): array {
            $ends = explode('-', substr($range, 2));

            return [(int) hexdec($ends[0]), (int) hexdec($ends[1] ?? $ends[0])];
        }, explode(',', $ranges));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

/**
 * A shipped TrueType font with some letters only, to be carried within a picture. Tables and their layout are those of
 * ISO/IEC 14496-22 (OpenType).
 */
final class FontSubset
{
    /** Smaller fonts are carried whole: their letters join by rules of the font that need others of its letters. */
    private const WHOLE_UNDER = 260_000;
    /** Tables that stay as they are. */
    private const KEPT = ['OS/2', 'cvt ', 'fpgm', 'head', 'hhea', 'maxp', 'name', 'prep'];
    /** Flags of the parts of a glyph that is put together of others. */
    private const WORDS = 0x1;
    private const SCALE = 0x8;
    private const MORE = 0x20;
    private const TWO_SCALES = 0x40;
    private const TWO_BY_TWO = 0x80;

    /** @var array<string, string> bytes by tag */
    private array $tables;
    /** @var array<int, int> new numbers of glyphs by their old ones, in the order of the new */
    private array $numbers = [0 => 0];

    private function __construct(string $font)
    {
        $this->tables = self::tables($font);
    }

    /** @return string bytes of a TrueType file */
    public static function of(string $path, string $letters): string
    {
        $whole = (string) file_get_contents($path);

        return \strlen($whole) < self::WHOLE_UNDER
            ? $whole
            : (new self($whole))->with(array_map(mb_ord(...), mb_str_split($letters)));
    }

    /** @param list<int> $codes */
    private function with(array $codes): string
    {
        sort($codes);
        $glyphs = [];
        foreach ($codes as $code) {
            $glyph = $this->glyph($code);
            $this->numbers[$glyph] ??= \count($this->numbers);
            $glyphs[$code] = $this->numbers[$glyph];
        }
        $outlines = $places = $metrics = '';
        $measured = self::short($this->tables['hhea'], 34);
        // Grows while it is gone through, by the parts of glyphs that are put together.
        for ($new = 0; $new < \count($this->numbers); ++$new) {
            $old = array_keys($this->numbers)[$new];
            $places .= pack('N', \strlen($outlines));
            $outline = $this->renumbered($this->outline($old));
            $outlines .= str_pad($outline, 4 * (int) ceil(\strlen($outline) / 4), "\0");
            $metrics .= $this->metric($old, $measured);
        }
        $count = pack('n', \count($this->numbers));
        $tables = array_intersect_key($this->tables, array_flip(self::KEPT));
        $tables['head'] = substr_replace($tables['head'], pack('n', 1), 50, 2);
        $tables['hhea'] = substr_replace($tables['hhea'], $count, 34, 2);
        $tables['maxp'] = substr_replace($tables['maxp'], $count, 4, 2);

        return self::assembled(
            $tables + [
                'glyf' => $outlines,
                'loca' => $places.pack('N', \strlen($outlines)),
                'hmtx' => $metrics,
                'cmap' => self::cmap($glyphs),
                'post' => pack('N8', 0x30000, 0, 0, 0, 0, 0, 0, 0),
            ],
        );
    }

    /**
     * How far a glyph advances, and how far its outline begins from the left. The last ones all advance alike.
     *
     * @param int $measured glyphs that have an advance of their own
     */
    private function metric(int $glyph, int $measured): string
    {
        $metrics = $this->tables['hmtx'];

        return $glyph < $measured
            ? substr($metrics, 4 * $glyph, 4)
            : substr($metrics, 4 * ($measured - 1), 2).
                    substr($metrics, 4 * $measured + 2 * ($glyph - $measured), 2);
    }

    /** The number of a letter's glyph; 0 where the font has none. */
    private function glyph(int $code): int
    {
        $cmap = $this->tables['cmap'];
        for ($i = 0; $i < self::short($cmap, 2); ++$i) {
            $at = self::long($cmap, 4 + 8 * $i + 4);
            $glyph = match (self::short($cmap, $at)) {
                4 => $code > 0xFFFF ? 0 : self::glyphOfSegments($cmap, $at, $code),
                12 => self::glyphOfGroups($cmap, $at, $code),
                default => 0,
            };
            if (0 !== $glyph) {
                return $glyph;
            }
        }

        return 0;
    }

    private static function glyphOfSegments(string $cmap, int $at, int $code): int
    {
        $segments = intdiv(self::short($cmap, $at + 6), 2);
        for ($s = 0; $s < $segments; ++$s) {
            if ($code <= self::short($cmap, $at + 14 + 2 * $s)) {
                $start = self::short($cmap, $at + 16 + 2 * $segments + 2 * $s);
                $delta = self::short($cmap, $at + 16 + 4 * $segments + 2 * $s);
                $rangeAt = $at + 16 + 6 * $segments + 2 * $s;
                $range = self::short($cmap, $rangeAt);
                if ($code < $start) {
                    return 0;
                }
                $glyph = 0 === $range ? $code : self::short($cmap, $rangeAt + $range + 2 * ($code - $start));

                return 0 === $glyph ? 0 : ($glyph + $delta) & 0xFFFF;
            }
        }

        return 0;
    }

    private static function glyphOfGroups(string $cmap, int $at, int $code): int
    {
        for ($group = 0; $group < self::long($cmap, $at + 12); ++$group) {
            $entry = $at + 16 + 12 * $group;
            if ($code >= self::long($cmap, $entry) && $code <= self::long($cmap, $entry + 4)) {
                return self::long($cmap, $entry + 8) + $code - self::long($cmap, $entry);
            }
        }

        return 0;
    }

    private function outline(int $glyph): string
    {
        $isLong = 1 === self::short($this->tables['head'], 50);
        $place = fn (int $of): int => $isLong
            ? self::long($this->tables['loca'], 4 * $of)
            : 2 * self::short($this->tables['loca'], 2 * $of);

        return substr($this->tables['glyf'], $place($glyph), $place($glyph + 1) - $place($glyph));
    }

    /** The parts of a glyph under their new numbers. */
    private function renumbered(string $outline): string
    {
        if ('' === $outline || self::short($outline, 0) < 0x8000) {
            return $outline;
        }
        $at = 10;
        do {
            $flags = self::short($outline, $at);
            $part = self::short($outline, $at + 2);
            $this->numbers[$part] ??= \count($this->numbers);
            $outline = substr_replace($outline, pack('n', $this->numbers[$part]), $at + 2, 2);
            $at += 4 + (0 < ($flags & self::WORDS) ? 4 : 2);
            $at += match (true) {
                0 < ($flags & self::SCALE) => 2,
                0 < ($flags & self::TWO_SCALES) => 4,
                0 < ($flags & self::TWO_BY_TWO) => 8,
                default => 0,
            };
        } while (0 < ($flags & self::MORE));

        return $outline;
    }

    /** @param array<int, int> $glyphs by code point, rising */
    private static function cmap(array $glyphs): string
    {
        $groups = implode(
            '',
            array_map(
                static fn (int $code, int $glyph): string => pack('NNN', $code, $code, $glyph),
                array_keys($glyphs),
                $glyphs,
            ),
        );

        return pack('nnnnN', 0, 1, 3, 10, 12).pack('nnNNN', 12, 0, 16 + \strlen($groups), 0, \count($glyphs)).$groups;
    }

    /** @return array<string, string> */
    private static function tables(string $font): array
    {
        $tables = [];
        for ($i = 0; $i < self::short($font, 4); ++$i) {
            $entry = 12 + 16 * $i;
            $tables[substr($font, $entry, 4)] = substr(
                $font, self::long($font, $entry + 8), self::long($font, $entry + 12),
            );
        }

        return $tables;
    }

    /** @param array<string, string> $tables */
    private static function assembled(array $tables): string
    {
        ksort($tables);
        $count = max(1, \count($tables));
        $power = 2 ** (int) floor(log($count, 2));
        $head = pack('Nnnnn', 0x10000, $count, 16 * $power, (int) log($power, 2), 16 * ($count - $power));
        $body = '';
        foreach ($tables as $tag => $table) {
            $padded = str_pad($table, 4 * (int) ceil(\strlen($table) / 4), "\0");
            /** @var array<int, int> $words */
            $words = unpack('N*', $padded);
            $head .= pack(
                'a4NNN', $tag, array_sum($words) & 0xFFFFFFFF, 12 + 16 * $count + \strlen($body), \strlen($table),
            );
            $body .= $padded;
        }

        return $head.$body;
    }

    private static function short(string $bytes, int $at): int
    {
        return self::number('n', $bytes, $at);
    }

    private static function long(string $bytes, int $at): int
    {
        return self::number('N', $bytes, $at);
    }

    private static function number(string $format, string $bytes, int $at): int
    {
        /** @var array{1: int} $read */
        $read = unpack($format, $bytes, $at);

        return $read[1];
    }
}

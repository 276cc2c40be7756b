<?php

declare(strict_types=1);

/* Reading and writing of font files, shared by the tools that make what is shipped of them. */

/** @return array<string, string> table tag => bytes of a WOFF 1 file (zlib per table), or of a TrueType file */
function fontTables(string $bytes): array
{
    $isPacked = str_starts_with($bytes, 'wOFF');
    $count = unpack('n', $bytes, $isPacked ? 12 : 4)[1];
    $tables = [];
    for ($i = 0; $i < $count; ++$i) {
        ['tag' => $tag, 'at' => $at, 'packed' => $packed, 'length' => $length] = $isPacked
            ? unpack('a4tag/Nat/Npacked/Nlength', $bytes, 44 + 20 * $i)
            : unpack('a4tag/Nsum/Nat/Npacked', $bytes, 12 + 16 * $i) + [
                'length' => unpack('N', $bytes, 12 + 16 * $i + 12)[1],
            ];
        $part = substr($bytes, $at, $packed);
        $tables[$tag] = $packed < $length ? gzuncompress($part) : $part;
    }

    return $tables;
}

/**
 * @param array<string, string> $tables
 *
 * @return array<int, int> glyph by code point
 */
function fontGlyphs(array $tables): array
{
    $cmap = $tables['cmap'];
    $word = static fn (int $offset): int => unpack('n', $cmap, $offset)[1];
    $long = static fn (int $offset): int => unpack('N', $cmap, $offset)[1];
    $glyphs = [];
    for ($i = 0; $i < $word(2); ++$i) {
        $at = $long(4 + 8 * $i + 4);
        if (12 === $word($at)) {
            for ($group = 0; $group < $long($at + 12); ++$group) {
                [$start, $end, $first] = [
                    $long($at + 16 + 12 * $group), $long($at + 20 + 12 * $group), $long($at + 24 + 12 * $group),
                ];
                for ($code = $start; $code <= $end; ++$code) {
                    $glyphs[$code] = $first + $code - $start;
                }
            }
        }
        if (4 !== $word($at)) {
            continue;
        }
        $segments = $word($at + 6) / 2;
        for ($s = 0; $s < $segments; ++$s) {
            [$end, $start, $delta] = [
                $word($at + 14 + 2 * $s),
                $word($at + 16 + 2 * $segments + 2 * $s),
                $word($at + 16 + 4 * $segments + 2 * $s),
            ];
            $rangeAt = $at + 16 + 6 * $segments + 2 * $s;
            $range = $word($rangeAt);
            for ($code = $start; $code <= $end && $code < 0xFFFF; ++$code) {
                $glyph = 0 === $range ? $code + $delta : $word($rangeAt + $range + 2 * ($code - $start));
                $glyph = (0 === $range || 0 === $glyph ? $glyph : $glyph + $delta) & 0xFFFF;
                0 === $glyph || ($glyphs[$code] = $glyph);
            }
        }
    }
    ksort($glyphs);

    return array_filter($glyphs);
}

/** @return array<int, int> code point => advance width in thousandths of the type size */
function advanceWidths(string $file): array
{
    $tables = fontTables((string) file_get_contents($file));
    $perEm = unpack('n', $tables['head'], 18)[1];
    $metrics = unpack('n', $tables['hhea'], 34)[1];

    return array_map(
        static fn (int $glyph): int => (int) round(
            (1000 * unpack('n', $tables['hmtx'], 4 * min($glyph, $metrics - 1))[1]) / $perEm,
        ),
        fontGlyphs($tables),
    );
}

/**
 * A cmap table that maps two-byte code points (format 4), and all of them (format 12).
 *
 * @param array<int, int> $short glyphs by code point under 0xFFFF
 * @param array<int, int> $all
 */
function cmapTable(array $short, array $all): string
{
    $segments = [];
    foreach ([4 => $short, 12 => $all] as $format => $glyphs) {
        ksort($glyphs);
        $segments[$format] = [];
        foreach ($glyphs as $code => $glyph) {
            $last = array_key_last($segments[$format]);
            if (
                null !== $last
                && $segments[$format][$last][1] === $code - 1
                && $segments[$format][$last][2] + $code - $segments[$format][$last][0] === $glyph
            ) {
                $segments[$format][$last][1] = $code;
            } else {
                $segments[$format][] = [$code, $code, $glyph];
            }
        }
    }
    $ends = $starts = $deltas = $ranges = '';
    foreach ([...$segments[4], [0xFFFF, 0xFFFF, 0]] as [$start, $end, $glyph]) {
        $ends .= pack('n', $end);
        $starts .= pack('n', $start);
        $deltas .= pack('n', ($glyph - $start) & 0xFFFF);
        $ranges .= pack('n', 0);
    }
    $count = intdiv(strlen($ends), 2);
    $power = 2 ** (int) floor(log($count, 2));
    $body =
        pack('nnnn', 2 * $count, 2 * $power, (int) log($power, 2), 2 * ($count - $power)).
        $ends.
        pack('n', 0).
        $starts.
        $deltas.
        $ranges;
    $four = pack('nnn', 4, 6 + strlen($body), 0).$body;
    $groups = implode('', array_map(static fn (array $one): string => pack('NNN', ...$one), $segments[12]));
    $twelve = pack('nnNNN', 12, 0, 16 + strlen($groups), 0, count($segments[12])).$groups;

    return pack('nn', 0, 2).pack('nnN', 3, 1, 20).pack('nnN', 3, 10, 20 + strlen($four)).$four.$twelve;
}

/**
 * Writes the tables of a font file as TrueType, which pictures and PDFs are drawn with.
 *
 * @param array<string, string> $instead tables by tag that take the place of its own
 */
function writeTrueType(string $from, string $to, array $instead = []): void
{
    $bytes = (string) file_get_contents($from);
    $tables = $instead + fontTables($bytes);
    ksort($tables);
    $count = count($tables);
    $power = 2 ** (int) floor(log($count, 2));
    $head =
        (str_starts_with($bytes, 'wOFF') ? substr($bytes, 4, 4) : substr($bytes, 0, 4)).
        pack('nnnn', $count, 16 * $power, (int) log($power, 2), 16 * ($count - $power));
    $at = 12 + 16 * $count;
    $body = '';
    foreach ($tables as $tag => $table) {
        $padded = str_pad($table, (int) (4 * ceil(strlen($table) / 4)), "\0");
        $sum = array_sum(unpack('N*', $padded)) & 0xFFFFFFFF;
        $head .= pack('a4NNN', $tag, $sum, $at + strlen($body), strlen($table));
        $body .= $padded;
    }
    file_put_contents($to, $head.$body);
}

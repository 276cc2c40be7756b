<?php

declare(strict_types=1);

/*
 * Makes core/Scene/advance-widths.php and assets/fonts/faces.json from the npm packages @ibm/plex-sans and
 * @ibm/plex-serif (unpacked folders as arguments). Run again only when the fonts change:
 *
 *     php tools/font-tables.php plex-sans/package plex-serif/package
 */

[$sans, $serif] = [$argv[1] ?? '', $argv[2] ?? ''];
if (!is_dir("$sans/fonts") || !is_dir("$serif/fonts")) {
    fwrite(\STDERR, "Give the unpacked folders of @ibm/plex-sans and @ibm/plex-serif.\n");
    exit(2);
}
$root = dirname(__DIR__);

/** @return array<string, string> table tag => bytes of a WOFF 1 file (zlib per table) */
function woffTables(string $bytes): array
{
    $count = unpack('n', $bytes, 12)[1];
    $tables = [];
    for ($i = 0; $i < $count; ++$i) {
        ['tag' => $tag, 'at' => $at, 'packed' => $packed, 'length' => $length] = unpack('a4tag/Nat/Npacked/Nlength', $bytes, 44 + 20 * $i);
        $part = substr($bytes, $at, $packed);
        $tables[$tag] = $packed < $length ? gzuncompress($part) : $part;
    }

    return $tables;
}

/** @return array<int, int> code point => advance width in thousandths of the type size */
function advanceWidths(string $file): array
{
    $tables = woffTables((string) file_get_contents($file));
    $perEm = unpack('n', $tables['head'], 18)[1];
    $metrics = unpack('n', $tables['hhea'], 34)[1];
    $widthOf = static fn (int $glyph): int => unpack('n', $tables['hmtx'], 4 * min($glyph, $metrics - 1))[1];
    $widths = [];
    $subtables = unpack('n', $tables['cmap'], 2)[1];
    for ($i = 0; $i < $subtables; ++$i) {
        $at = unpack('N', $tables['cmap'], 4 + 8 * $i + 4)[1];
        if (4 !== unpack('n', $tables['cmap'], $at)[1]) {
            continue;
        }
        $segments = unpack('n', $tables['cmap'], $at + 6)[1] / 2;
        $word = static fn (int $offset): int => unpack('n', $tables['cmap'], $offset)[1];
        for ($s = 0; $s < $segments; ++$s) {
            $end = $word($at + 14 + 2 * $s);
            $start = $word($at + 16 + 2 * $segments + 2 * $s);
            $delta = $word($at + 16 + 4 * $segments + 2 * $s);
            $rangeAt = $at + 16 + 6 * $segments + 2 * $s;
            $range = $word($rangeAt);
            for ($code = $start; $code <= $end && $code < 0xE000; ++$code) {
                $glyph = 0 === $range ? $code + $delta : $word($rangeAt + $range + 2 * ($code - $start));
                $glyph = (0 === $range || 0 === $glyph ? $glyph : $glyph + $delta) & 0xFFFF;
                if (0 !== $glyph) {
                    $widths[$code] = (int) round(1000 * $widthOf($glyph) / $perEm);
                }
            }
        }
    }
    ksort($widths);

    return $widths;
}

$out = "<?php\n\n// Advance widths of the shipped fonts in thousandths of the type size, by code point. Made by tools/font-tables.php.\nreturn [\n";
foreach (['400' => 'Regular', '600' => 'SemiBold'] as $weight => $name) {
    $out .= "    $weight => [";
    foreach (advanceWidths("$sans/fonts/complete/woff/IBMPlexSans-$name.woff") as $code => $width) {
        $out .= "$code=>$width,";
    }
    $out .= "],\n";
}
file_put_contents("$root/core/Scene/advance-widths.php", $out."];\n");

$faces = [];
foreach ([['IBM Plex Sans', $sans, 'IBMPlexSans', [400 => 'Regular', 600 => 'SemiBold']], ['IBM Plex Serif', $serif, 'IBMPlexSerif', [400 => 'Regular', 500 => 'Medium']]] as [$family, $folder, $prefix, $weights]) {
    foreach ($weights as $weight => $name) {
        $css = (string) file_get_contents("$folder/fonts/split/woff2/$prefix-$name.css");
        preg_match_all('~('.$prefix.'-'.$name.'-\w+\.woff2).*?unicode-range:\s*([^;}]+)~s', $css, $matches, \PREG_SET_ORDER);
        foreach ($matches as [, $file, $ranges]) {
            if (is_file("$root/assets/fonts/$file")) {
                $faces[$file] = ['family' => $family, 'weight' => $weight, 'file' => $file, 'ranges' => preg_replace('/\s+/', '', $ranges)];
            }
        }
    }
}
file_put_contents("$root/assets/fonts/faces.json", json_encode(array_values($faces), \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES)."\n");

/** Writes the tables of a WOFF 1 file as TrueType, which pictures and PDFs are drawn with. */
function writeTrueType(string $woff, string $to): void
{
    $bytes = (string) file_get_contents($woff);
    $tables = woffTables($bytes);
    ksort($tables);
    $count = count($tables);
    $power = 2 ** (int) floor(log($count, 2));
    $head = substr($bytes, 4, 4).pack('nnnn', $count, 16 * $power, (int) log($power, 2), 16 * ($count - $power));
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

require "$root/vendor/autoload.php";
@mkdir("$root/assets/fonts/pdf");
foreach (['Regular', 'SemiBold'] as $name) {
    $ttf = "$root/assets/fonts/IBMPlexSans-$name.ttf";
    writeTrueType("$sans/fonts/complete/woff/IBMPlexSans-$name.woff", $ttf);
    TCPDF_FONTS::addTTFfont($ttf, 'TrueTypeUnicode', '', 32, "$root/assets/fonts/pdf/");
}

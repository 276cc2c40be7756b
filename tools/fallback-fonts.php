<?php

declare(strict_types=1);

/*
 * Makes assets/fonts/fallback and core/Scene/fallback-widths.php: fonts for letters that IBM Plex does not have. Run
 * again only when they change, with the unpacked Debian packages fonts-noto-core and fonts-droid-fallback, and the npm
 * package
 * @fontsource/noto-emoji:
 *
 *     php tools/fallback-fonts.php DEBIAN-ROOT noto-emoji/package
 */

require __DIR__.'/font-files.php';
require dirname(__DIR__).'/vendor/autoload.php';

[$debian, $emoji] = [$argv[1] ?? '', $argv[2] ?? ''];
$noto = "$debian/usr/share/fonts/truetype/noto";
if (!is_dir($noto) || !is_dir("$emoji/files")) {
    fwrite(
        \STDERR, "Give the root of the unpacked Debian packages and the unpacked folder of @fontsource/noto-emoji.\n",
    );
    exit(2);
}
$root = dirname(__DIR__);
$folder = "$root/assets/fonts/fallback";
@mkdir($folder);
// The first that has a letter draws it.
$files = [
    'NotoSansArabic' => "$noto/NotoSansArabic-Regular.ttf",
    'NotoSansHebrew' => "$noto/NotoSansHebrew-Regular.ttf",
    'NotoSansThai' => "$noto/NotoSansThai-Regular.ttf",
    'NotoSansDevanagari' => "$noto/NotoSansDevanagari-Regular.ttf",
    'NotoEmoji' => "$emoji/files/noto-emoji-emoji-400-normal.woff",
    'DroidSansFallback' => "$debian/usr/share/fonts-droid-fallback/truetype/DroidSansFallback.ttf",
    'NotoSansSymbols2' => "$noto/NotoSansSymbols2-Regular.ttf",
];
$own = require "$root/core/Scene/advance-widths.php";
$known = $own[400] + $own[600];
$widths = $drawn = [];
foreach ($files as $name => $file) {
    foreach (advanceWidths($file) as $code => $width) {
        $isDrawable = $code <= 0xFFFF || 'NotoEmoji' === $name;
        if ($code > 0x7F && $isDrawable && !isset($known[$code])) {
            $known[$code] = $width;
            $widths[$code] = $width;
            $drawn[$code] = $name;
        }
    }
}
ksort($widths);

// The libraries for pictures and PDFs know code points of two bytes only: emoji beyond them stand in the private use
// area too.
$glyphs = fontGlyphs(fontTables((string) file_get_contents($files['NotoEmoji'])));
$private = 0xE000;
$short = array_filter($glyphs, static fn (int $code): bool => $code < 0xE000, \ARRAY_FILTER_USE_KEY);
foreach ($widths as $code => $width) {
    if ($code > 0xFFFF && 'NotoEmoji' === $drawn[$code]) {
        $short[$private++] = $glyphs[$code];
    }
}
foreach ($files as $name => $file) {
    writeTrueType($file, "$folder/$name.ttf", 'NotoEmoji' === $name ? ['cmap' => cmapTable($short, $glyphs)] : []);
    foreach (glob("$root/assets/fonts/pdf/".strtolower($name).'*') ?: [] as $old) {
        unlink($old);
    }
    TCPDF_FONTS::addTTFfont("$folder/$name.ttf", 'TrueTypeUnicode', '', 32, "$root/assets/fonts/pdf/");
}

$runs = [];
foreach ($widths as $code => $width) {
    $last = array_key_last($runs);
    if (
        null !== $last
        && $runs[$last][1] === $code - 1
        && $runs[$last][2] === $width
        && $runs[$last][3] === $drawn[$code]
    ) {
        $runs[$last][1] = $code;
    } else {
        $runs[] = [$code, $code, $width, $drawn[$code]];
    }
}
$names = array_keys($files);
$out =
    "<?php\n\n// Fonts for letters that the shipped ones lack, by their order in FallbackFonts::NAMES, and their "
        ."advance widths in\n// thousandths of the type size: first code point, last, width, font; rising. Made by "
        ."tools/fallback-fonts.php.\nreturn [\n";
foreach (array_chunk($runs, 4) as $line) {
    $out .=
        '    '.
        implode(
            ', ',
            array_map(
                static fn (array $run): string => "[$run[0], $run[1], $run[2], ".
                    array_search($run[3], $names, true).
                    ']',
                $line,
            ),
        ).
        ",\n";
}
file_put_contents("$root/core/Scene/fallback-widths.php", $out."];\n");
echo count($widths), ' letters in ', count($runs), " runs\n";

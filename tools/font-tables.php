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

require __DIR__.'/font-files.php';

$out =
    "<?php\n\n// Advance widths of the shipped fonts in thousandths of the type size, by code point. Made by "
        ."tools/font-tables.php.\nreturn [\n";
/** Of a weight that charts and pages write in: 500 is the serif of messages. */
$fonts = [
    400 => "$sans/fonts/complete/woff/IBMPlexSans-Regular.woff",
    500 => "$serif/fonts/complete/woff/IBMPlexSerif-Medium.woff",
    600 => "$sans/fonts/complete/woff/IBMPlexSans-SemiBold.woff",
];
foreach ($fonts as $weight => $font) {
    $out .= "    $weight => [";
    foreach (advanceWidths($font) as $code => $width) {
        $out .= "$code=>$width,";
    }
    $out .= "],\n";
}
file_put_contents("$root/core/Scene/advance-widths.php", $out."];\n");

$faces = [];
foreach (
    [
        ['IBM Plex Sans', $sans, 'IBMPlexSans', [400 => 'Regular', 600 => 'SemiBold']],
        ['IBM Plex Serif', $serif, 'IBMPlexSerif', [400 => 'Regular', 500 => 'Medium']],
    ] as [$family, $folder, $prefix, $weights]
) {
    foreach ($weights as $weight => $name) {
        $css = (string) file_get_contents("$folder/fonts/split/woff2/$prefix-$name.css");
        preg_match_all(
            '~('.$prefix.'-'.$name.'-\w+\.woff2).*?unicode-range:\s*([^;}]+)~s', $css, $matches, \PREG_SET_ORDER,
        );
        foreach ($matches as [, $file, $ranges]) {
            if (is_file("$root/assets/fonts/$file")) {
                $faces[$file] = [
                    'family' => $family,
                    'weight' => $weight,
                    'file' => $file,
                    'ranges' => preg_replace('/\s+/', '', $ranges),
                ];
            }
        }
    }
}
file_put_contents(
    "$root/assets/fonts/faces.json",
    json_encode(array_values($faces), \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES)."\n",
);

require "$root/vendor/autoload.php";
@mkdir("$root/assets/fonts/pdf");
foreach ($fonts as $font) {
    $ttf = "$root/assets/fonts/".basename($font, '.woff').'.ttf';
    writeTrueType($font, $ttf);
    TCPDF_FONTS::addTTFfont($ttf, 'TrueTypeUnicode', '', 32, "$root/assets/fonts/pdf/");
}

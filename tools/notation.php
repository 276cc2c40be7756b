<?php

declare(strict_types=1);

/*
 * Writes the inks, hatches and type of core/Notation as Tailwind theme tokens and as TypeScript for the page:
 * frontend/shared/notation.css and frontend/shared/notation.ts. Run by the build; the files are not edited by hand.
 */

use KeenMargin\Core\Notation\Hatch;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Layout\Paper;

require dirname(__DIR__).'/vendor/autoload.php';

$root = dirname(__DIR__);
$head = 'Made by tools/notation.php from core/Notation.';
$css = "/* $head */\n";
/** @var list<array{family: string, weight: int, file: string, ranges: string}> $faces */
$faces = json_decode((string) file_get_contents("$root/assets/fonts/faces.json"), true, 8, \JSON_THROW_ON_ERROR);
foreach ($faces as $face) {
    $css .= "@font-face { font-family: '{$face['family']}'; "
        ."font-weight: {$face['weight']}; font-display: block; "
        ."unicode-range: {$face['ranges']}; src: url('../../assets/fonts/{$face['file']}') format('woff2'); }\n";
}
$css .= "@theme {\n  --color-*: initial;\n";
$inks = $greys = [];
foreach (Ink::cases() as $ink) {
    $inks[$ink->value] = $ink->colour();
    $greys[$ink->value] = $ink->grey();
    $css .= $ink->isHatch() ? '' : "  --color-{$ink->value}: {$ink->colour()};\n";
}
$css .= '  --font-sans: \''.Type::SANS."', sans-serif;\n  --font-serif: '".Type::SERIF."', serif;\n}\n";
$hatches = array_values(array_map(
    static fn (Ink $ink): string => $ink->value,
    array_filter(Ink::cases(), static fn (Ink $ink): bool => $ink->isHatch()),
));
$ts =
    "// $head\nexport const palettes: Record<'effect' | 'greys', Record<string, string>> = ".
    json_encode(['effect' => $inks, 'greys' => $greys], \JSON_PRETTY_PRINT).
    "\n".
    "export const inks = palettes.effect\n".
    'export const hatches: string[] = '.
    json_encode($hatches).
    "\n".
    'export const hatch = { size: '.
    Hatch::SIZE.
    ', thickness: '.
    Hatch::THICKNESS.
    ", path: '".
    Hatch::PATH.
    "', paper: '".
    Ink::Panel->colour().
    "' }\n".
    "export const chartFont = '".
    Type::SANS.
    "'\nexport const serifFont = '".
    Type::SERIF.
    "'\nexport const serifWeight = ".
    Type::SERIF_WEIGHT.
    "\n".
    "/** Of a report's page, in points: sizes of type, heights of lines, and what blocks leave to the foot. */\n".
    'export const pageType = '.
    json_encode([
        'message' => Type::PAGE_MESSAGE,
        'messageLine' => Type::PAGE_MESSAGE_LINE,
        'text' => Type::PAGE_TEXT,
        'textLine' => Type::PAGE_TEXT_LINE,
        'foot' => Paper::FOOT,
    ]).
    "\n";
foreach (['css' => $css, 'ts' => $ts] as $ending => $text) {
    $file = "$root/frontend/shared/notation.$ending";
    if (!is_file($file) || file_get_contents($file) !== $text) {
        file_put_contents($file, $text);
    }
}

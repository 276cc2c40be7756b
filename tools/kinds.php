<?php

declare(strict_types=1);

/*
 * Writes docs/kinds.html: the contact sheet of every kind.
 */

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Tools\ContactSheet;

require dirname(__DIR__).'/vendor/autoload.php';

$svg = new SvgRenderer();
$html = '';
$last = '';
foreach (ContactSheet::cases() as $one) {
    if ($one->kind !== $last) {
        $html .= ('' === $last ? '' : '</div>').'<h2>'.ChartKinds::all()->of($one->kind)->name().'</h2>';
        $html .= '<div class="sheet">';
        $last = $one->kind;
    }
    // Each picture has its own hatches.
    $id = preg_replace('/\W/', '', $one->kind.$one->case);
    $picture =
        null === $one->drawing
            ? '<p>'.htmlspecialchars($one->refusal).'</p>'
            : str_replace(
                ['id="t"', 'id="d"', '"t d"', 'id="hatch-', 'url(#hatch-'],
                ["id=\"t$id\"", "id=\"d$id\"", "\"t$id d$id\"", "id=\"$id-hatch-", "url(#$id-hatch-"],
                $svg->render($one->drawing->scene),
            );
    $width = $one->drawing?->scene->width ?? 640;
    $html .= "<figure style=\"width:{$width}px\"><figcaption>$one->case</figcaption>$picture</figure>";
}
$html .= '</div>';
$faces = '';
foreach (['Regular' => 400, 'SemiBold' => 600] as $cut => $weight) {
    foreach (['Latin1', 'Pi', 'Greek'] as $part) {
        $faces .=
            "@font-face{font-family:'IBM Plex ".
            "Sans $part';src:url(../assets/fonts/IBMPlexSans-$cut-$part.woff2);font-weight:$weight}";
    }
}
file_put_contents(
    dirname(__DIR__).'/docs/kinds.html',
    <<<HTML
    <!doctype html>
    <html lang="en"><meta charset="utf-8"><title>Kinds, and what they do with difficult figures</title>
    <style>
    $faces
    body{background:#fbfaf7;color:#23272e;font:13px 'IBM Plex Sans',sans-serif;margin:24px;width:1360px}
    h2{font-size:18px;margin:40px 0 8px;border-bottom:1px solid #e6e1d7}
    .sheet{display:flex;flex-wrap:wrap;gap:28px 40px;align-items:flex-start}
    text{font-family:'IBM Plex Sans Latin1','IBM Plex Sans Pi','IBM Plex Sans Greek',sans-serif!important}
    figure{margin:0}figcaption{color:#6a2c5b;margin-bottom:6px}svg{display:block}
    </style>
    <h1>Kinds, and what they do with difficult figures</h1>
    <p>Made by <code>./keen shots</code> from made-up figures.</p>
    $html
    </html>

    HTML,
);

<?php

declare(strict_types=1);

/*
 * Warm, in the core: workings and SVG of the demo chart. Prints milliseconds as JSON.
 */

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Render\FontFaces;
use KeenMargin\Core\Render\SvgRenderer;

require dirname(__DIR__).'/vendor/autoload.php';

$sheet = FigureFile::open(dirname(__DIR__).'/demo/net-revenue.csv')->sheet();
$figures = FactReader::read($sheet, RoleGuess::of($sheet, 'Net revenue'), 'Brackwater Ferries');
$recipe = RecipeReader::json((string) file_get_contents(__DIR__.'/recipe.json'), ChartKinds::all());
$kinds = ChartKinds::all();
$svg = new SvgRenderer(FontFaces::folder(dirname(__DIR__).'/assets/fonts'));

$measure = static function (callable $work, int $times): float {
    for ($i = 0; $i < 200; ++$i) {
        $work();
    }
    $spent = [];
    for ($i = 0; $i < $times; ++$i) {
        $start = hrtime(true);
        $work();
        $spent[] = (hrtime(true) - $start) / 1e6;
    }
    sort($spent);

    return $spent[intdiv($times, 2)];
};

echo json_encode(
    [
        'workings' => $measure(static fn () => Drawing::workings($recipe, $figures, ChartKinds::all()), 1000),
        'workings and SVG' => $measure(
            static fn () => $svg->render(Drawing::of($recipe, $figures, $kinds)->scene),
            1000,
        ),
        'bytes' => strlen($svg->render(Drawing::of($recipe, $figures, $kinds)->scene)),
    ],
    \JSON_THROW_ON_ERROR,
),
"\n";

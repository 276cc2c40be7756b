<?php

declare(strict_types=1);

/*
 * Warm, in the core: a kind over 24 periods, recipe and figures to SVG. Prints milliseconds. Usage: php bench/kinds.php
 * KIND
 */

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Render\SvgRenderer;

require dirname(__DIR__).'/vendor/autoload.php';

$read = static function (string $file): FactTable {
    $sheet = FigureFile::open(dirname(__DIR__)."/demo/$file")->sheet();

    return FactReader::read($sheet, RoleGuess::of($sheet), 'Brackwater Ferries');
};
$revenue = $read('net-revenue.csv');
$span = ['from' => '2025-01', 'to' => '2026-12'];
$against = ['forecast' => 'FC', 'against' => ['BU'], 'span' => $span];
$asked = [
    'variance-tiers' => [$revenue, $against],
    'nested-columns' => [$revenue, $against],
    'target-marks' => [$revenue, $against],
    'gap-line' => [$revenue, $against],
    'hat' => [
        $revenue,
        [
            'forecast' => 'FC',
            'span' => $span,
            'between' => ['field' => 'Route', 'first' => 'North', 'second' => 'Holm'],
        ],
    ],
    'capacity-fill' => [
        $read('deck-space.csv'),
        [
            'used' => 'Lane metres used',
            'total' => 'Lane metres offered',
            'against' => ['TG'],
            'span' => ['from' => '2024-09', 'to' => '2026-08'],
        ],
    ],
    'bullet' => [
        $revenue,
        [
            'by' => 'month',
            'span' => $span,
            'target' => ['scenario' => 'BU'],
            'bands' => ['percentOfTarget' => ['85', '95', '110']],
        ],
    ],
    'gauge' => [
        $revenue,
        [
            'by' => 'month',
            'span' => $span,
            'target' => ['scenario' => 'BU'],
            'bands' => ['percentOfTarget' => ['85', '95', '110']],
        ],
    ],
    'thermometer' => [$read('reserve.csv'), ['goal' => '2000000', 'span' => ['from' => '2024-01', 'to' => '2027-12']]],
    'progress' => [$revenue, ['by' => 'Route', 'goal' => ['scenario' => 'BU'], 'span' => $span]],
    'comparison-table' => [$revenue, ['by' => 'Route', 'against' => ['BU'], 'span' => $span]],
    'build-up' => [$revenue, ['span' => $span, 'forecast' => 'FC', 'subtotals' => 'quarter']],
    'bridge' => [
        $revenue,
        [
            'by' => 'month',
            'bridge' => ['from' => 'BU', 'to' => 'AC'],
            'span' => ['from' => '2025-01', 'to' => '2025-12'],
        ],
    ],
];
$svg = new SvgRenderer();
$kinds = ChartKinds::all();
[$figures, $question] = $asked[$argv[1] ?? ''] ?? exit("Give a kind.\n");
$recipe = RecipeReader::json(
    json_encode(['keenMargin' => 1, 'question' => $question, 'kind' => $argv[1]], \JSON_THROW_ON_ERROR), $kinds,
);
$spent = [];
for ($i = 0; $i < 1200; ++$i) {
    $start = hrtime(true);
    $svg->render(Drawing::of($recipe, $figures, $kinds)->scene);
    $i < 400 || ($spent[] = (hrtime(true) - $start) / 1e6);
}
sort($spent);
echo json_encode($spent[intdiv(count($spent), 2)], \JSON_THROW_ON_ERROR), "\n";

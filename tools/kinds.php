<?php

declare(strict_types=1);

/*
 * Writes docs/kinds.html: every kind with ordinary, negative, missing and few figures, many rows, long names and
 * little room.
 * Made-up figures, the same ones each time.
 */

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Render\SvgRenderer;

require dirname(__DIR__).'/vendor/autoload.php';

const ROUTES = ['North', 'Holm', 'Outer', 'Sound'];
const LONG = [
    'Northern archipelago with all of its landing stages, summer service and freight',
    'Holm and the two skerries',
    'The outer islands as far as the lighthouse, weather permitting, once every day',
    'Sound',
];

/** @param callable(string, int, string, string): ?int $amount of a scenario, month from 0, route and class */
$rows = static function (int $months, array $routes, callable $amount): string {
    $csv = "Month,Route,Class,Measure,Actual,Budget,Forecast,Prior year,Target\n";
    for ($month = 0; $month < $months; ++$month) {
        $name = sprintf('%d-%02d', 2022 + intdiv($month + 48, 12) - intdiv($months, 13), ($month % 12) + 1);
        foreach ($routes as $i => $route) {
            foreach (['Foot', 'Vehicle'] as $j => $class) {
                foreach (['Used', 'Offered'] as $measure) {
                    $cells = array_map(
                        static fn (string $scenario): ?int => $amount($scenario, $month, $i, $j, $measure),
                        ['AC', 'BU', 'FC', 'PY', 'TG'],
                    );
                    $csv .=
                        implode(',', [
                            $name,
                            '"'.$route.'"',
                            $class,
                            $measure,
                            ...array_map(strval(...), $cells),
                        ])."\n";
                }
            }
        }
    }

    return $csv;
};
$wave = static function (string $scenario, int $month, int $i, int $j, string $measure, int $closed): ?int {
    if (('AC' === $scenario && $month > $closed) || ('FC' === $scenario && $month <= $closed)) {
        return null;
    }
    $season = 1.0 + 0.55 * sin(((($month % 12) - 3) * \M_PI) / 6) + 0.02 * intdiv($month, 12);
    $noise = 1.0 + ((($month * 37 + $i * 17 + $j * 11 + ord($scenario[0]) * 7) % 23) - 11) / 90;
    $size = [52000, 31000, 17000, 8000][$i] * [1.0, 0.6][$j];

    return (int) round(
        'Offered' === $measure
            ? $size * 1.25 * (0.8 + 0.3 * $season)
            : $size *
                $season *
                $noise *
                ['AC' => 1.0, 'BU' => 1.01, 'FC' => 1.0, 'PY' => 0.95, 'TG' => 1.04][$scenario],
    );
};
$ordinary = $rows(12, ROUTES, static fn (...$of) => $wave(...[...$of, 7]));
$figures = [
    'ordinary' => $ordinary,
    'negative' => $rows(
        12,
        ROUTES,
        static fn (string $scenario, int $month, int $i, int $j, string $measure): ?int => null ===
        $wave($scenario, $month, $i, $j, $measure, 7)
            ? null
            : (int) ($wave($scenario, $month, $i, $j, $measure, 7) *
                (2 === $month % 5 || 'Offered' === $measure ? 1 : -1)),
    ),
    'missing' => $rows(
        12,
        ROUTES,
        static fn (string $scenario, int $month, int $i, int $j, string $measure): ?int => (3 === $month
            && in_array($scenario, ['AC', 'TG'], true))
        || (5 === $month && 'BU' === $scenario)
        || 9 === $month
            ? null
            : (1 === $month && in_array($scenario, ['BU', 'TG'], true)
                ? 0
                : $wave($scenario, $month, $i, $j, $measure, 7)),
    ),
    'one row' => $rows(1, ['North'], static fn (...$of) => $wave(...[...$of, 0])),
    'sixty rows' => $rows(60, ROUTES, static fn (...$of) => $wave(...[...$of, 52])),
    'long names' => $rows(12, LONG, static fn (...$of) => $wave(...[...$of, 7])),
];
$mapping = [
    'columns' => [
        'Month' => ['role' => 'period'],
        'Route' => ['role' => 'breakdown'],
        'Class' => ['role' => 'breakdown'],
        'Measure' => ['role' => 'measure'],
        'Actual' => ['role' => 'amount', 'scenario' => 'AC'],
        'Budget' => ['role' => 'amount', 'scenario' => 'BU'],
        'Forecast' => ['role' => 'amount', 'scenario' => 'FC'],
        'Prior year' => ['role' => 'amount', 'scenario' => 'PY'],
        'Target' => ['role' => 'amount', 'scenario' => 'TG'],
    ],
    'measures' => ['Used' => ['unit' => 'm'], 'Offered' => ['unit' => 'm']],
];
$read = static function (string $csv) use ($mapping): FactTable {
    $path = (string) tempnam(sys_get_temp_dir(), 'kinds');
    file_put_contents($path, $csv);
    $sheet = FigureFile::open($path)->sheet();
    $table = FactReader::read(
        $sheet,
        MappingReader::read(
            Given::json(json_encode($mapping, \JSON_THROW_ON_ERROR)),
            RoleGuess::of($sheet, null, 2026),
            $sheet,
        ),
        'Brackwater Ferries',
    );
    unlink($path);

    return $table;
};
$tables = array_map($read, $figures);

$basic = ['measure' => 'Used', 'forecast' => 'FC', 'flag' => ['percent' => '8']];
$kinds = [
    'variance-tiers' => [...$basic, 'against' => ['BU', 'PY']],
    'nested-columns' => [...$basic, 'against' => ['BU']],
    'target-marks' => [...$basic, 'against' => ['TG']],
    'gap-line' => [...$basic, 'against' => ['BU']],
    'hat' => [...$basic, 'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle']],
    'capacity-fill' => [...$basic, 'used' => 'Used', 'total' => 'Offered', 'against' => ['TG']],
    'build-up' => [...$basic, 'subtotals' => 'quarter'],
    'bridge' => [...$basic, 'bridge' => ['from' => 'BU', 'to' => 'AC']],
    'bullet' => [
        ...$basic,
        'by' => 'month',
        'target' => ['scenario' => 'TG'],
        'bands' => ['percentOfTarget' => ['85', '95', '110']],
    ],
    'gauge' => [
        ...$basic,
        'by' => 'quarter',
        'target' => ['scenario' => 'TG'],
        'bands' => ['percentOfTarget' => ['85', '95', '110']],
    ],
    'thermometer' => [...$basic, 'by' => 'quarter', 'goal' => ['scenario' => 'BU']],
    'progress' => [...$basic, 'by' => 'month', 'goal' => ['scenario' => 'BU']],
    'comparison-table' => [...$basic, 'by' => 'month', 'against' => ['BU', 'PY']],
    'statement' => ['measure' => 'Used', 'against' => ['BU', 'PY'], 'by' => 'Route', 'span' => 'year to date'],
];
$byRoute = ['by' => 'Route', 'span' => 'year to date'];
$cases = [
    'ordinary' => ['ordinary', [], ['width' => 640]],
    'by structure' => ['ordinary', $byRoute, ['width' => 640]],
    'negative' => ['negative', [], ['width' => 640]],
    'missing' => ['missing', [], ['width' => 640]],
    'one row' => ['one row', ['forecast' => null], ['width' => 640]],
    'sixty rows' => ['sixty rows', [], ['width' => 1320]],
    'long names' => ['long names', $byRoute, ['width' => 640]],
    '360 wide' => ['ordinary', [], ['width' => 360]],
    '360 wide, long names' => ['long names', $byRoute, ['width' => 360]],
    'turned' => ['ordinary', [], ['width' => 640, 'turn' => true, 'highlight' => ['2026-03']]],
    'one for each' => ['ordinary', ['each' => 'Route'], ['width' => 1320]],
];

$svg = new SvgRenderer();
$html = '';
/** The same figures as a statement: the last two routes are costs. */
$stated = static function (FactTable $table): FactTable {
    $dataset = $table->dataset();
    $breakdowns = array_map(
        static fn (Breakdown $one): Breakdown => 'Route' === $one->name
            ? new Breakdown(
                $one->name,
                $one->members,
                [],
                array_combine(
                    $one->members,
                    array_map(
                        static fn (int $i): LineRole => $i < 2 ? LineRole::Adds : LineRole::TakesAway,
                        array_keys($one->members),
                    ),
                ),
            )
            : $one,
        $dataset->breakdowns,
    );

    return new FactTable(
        With::of($dataset, ['breakdowns' => $breakdowns]),
        $table->series,
        $table->packed,
        $table->sums([], []),
    );
};
foreach ($kinds as $kind => $question) {
    $name = ChartKinds::all()->of($kind)->name();
    $html .= "<h2>$name</h2><div class=\"sheet\">";
    foreach ($cases as $case => [$table, $asked, $finish]) {
        $asked = 'gap-line' === $kind && isset($asked['by']) ? array_diff_key($asked, ['by' => 1]) : $asked;
        $isStatement = 'statement' === $kind;
        $asked = $isStatement ? array_intersect_key($asked, ['each' => 1]) : $asked;
        $asked = isset($asked['each']) && $isStatement ? ['each' => 'Class'] : $asked;
        $asked = isset($asked['by']) && 'build-up' === $kind ? [...$asked, 'subtotals' => null] : $asked;
        $recipe = [
            'keenMargin' => 1,
            'question' => array_filter([...$question, ...$asked]),
            'kind' => $kind,
            'finish' => $finish,
        ];
        try {
            $drawing = Drawing::of(
                RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all()),
                $isStatement ? $stated($tables[$table]) : $tables[$table],
                ChartKinds::all(),
            );
            // Each picture has its own hatches.
            $id = preg_replace('/\W/', '', $kind.$case);
            $picture = str_replace(
                ['id="t"', 'id="d"', '"t d"', 'id="hatch-', 'url(#hatch-'],
                ["id=\"t$id\"", "id=\"d$id\"", "\"t$id d$id\"", "id=\"$id-hatch-", "url(#$id-hatch-"],
                $svg->render($drawing->scene),
            );
        } catch (KeenMargin\Core\Document\NotAccepted $e) {
            $picture = '<p>'.htmlspecialchars($e->getMessage()).'</p>';
        }
        $html .= "<figure style=\"width:{$finish['width']}px\"><figcaption>$case</figcaption>$picture</figure>";
    }
    $html .= '</div>';
}
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

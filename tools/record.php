<?php

declare(strict_types=1);

/*
 * Records what the program answers: `php tools/record.php FOLDER [--cases FOLDER]`. Two recordings are compared by
 * `diff -r ONE OTHER`; a pure move of code changes nothing in them.
 *
 * Asks the served API and the command line only, so that it outlives changes within. Recorded are, of the demo figures:
 * every list, dataset, chart, picture, table, export and report; of each fixture file: how it is read and what comes
 * in; of
 * random figures: 500 questions with their workings, drawings and pictures. The random cases are written along; a later
 * recording takes them from an earlier one by --cases, so that it asks the same even where the generator has changed.
 */

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\OwnServer;
use KeenMargin\Tests\app\Server;
use KeenMargin\Tests\core\Oracle\RandomLedger;

require dirname(__DIR__).'/vendor/autoload.php';

const LEDGERS = 250;
const QUESTIONS = 2;

$to = $argv[1] ?? '';
$cases = '--cases' === ($argv[2] ?? '') ? $argv[3] ?? '' : '';
if ('' === $to || file_exists($to)) {
    fwrite(\STDERR, "Give a folder that is not there yet; see the head of this file.\n");
    exit(2);
}
$root = dirname(__DIR__);
mkdir("$to/cases", 0o777, true);
$work = sys_get_temp_dir().'/keen-record-'.bin2hex(random_bytes(4));
mkdir($work);

/** What the clock says is left out, as are the numbers of files on the shelf. */
$timeless = static fn (string $text): string => (string) preg_replace(
    ['/\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\+\d\d:\d\d|Z)/', '/"[0-9a-f]{24}"/', '#(/CreationDate|/ModDate|/ID)[^\n]*#'],
    ['TIME', '"ID"', ''],
    $text,
);
$keep = static function (string $name, string $bytes) use ($to, $timeless): void {
    $path = "$to/$name";
    is_dir(dirname($path)) || mkdir(dirname($path), 0o777, true);
    file_put_contents($path, $timeless($bytes));
};
$answer = static function (string $name, Answer $answer) use ($keep): void {
    $isJson = str_contains($answer->header('Content-Type'), 'json');
    $body = $isJson
        ? (string) json_encode(
            json_decode($answer->body), \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
        )
        : $answer->body;
    $keep($name, "$answer->status\n$body\n");
};
$pdf = static function (string $name, Answer $answer) use ($keep, $work): void {
    file_put_contents("$work/page.pdf", $answer->body);
    $keep(
        $name, "$answer->status\n".shell_exec('pdftotext -layout '.escapeshellarg("$work/page.pdf").' - 2>/dev/null'),
    );
};
$picture = static function (string $name, int $dataset, mixed $recipe) use ($answer, $pdf): void {
    $body = ['recipe' => $recipe];
    $answer("$name.drawing.json", Server::send('POST', "/api/datasets/$dataset/drawings", $body));
    $answer("$name.workings.json", Server::send('POST', "/api/datasets/$dataset/workings.json", $body));
    $answer("$name.workings.csv", Server::send('POST', "/api/datasets/$dataset/workings.csv", $body));
    $answer("$name.svg", Server::send('POST', "/api/datasets/$dataset/pictures.svg", $body));
    $pdf("$name.pdf.txt", Server::send('POST', "/api/datasets/$dataset/pictures.pdf", $body));
};

// The demo figures.
$environment = ['KEEN_DATA' => "$work/demo.sqlite"] + getenv();
foreach ([['doctrine:migrations:migrate', '--no-interaction', '-q'], ['keen:demo', '-q']] as $command) {
    $process = proc_open([\PHP_BINARY, "$root/bin/console", ...$command], [], $pipes, $root, $environment);
    (is_resource($process) && 0 === proc_close($process)) || exit(1);
}
$server = OwnServer::on("$work/demo.sqlite", true);
Server::instead($server, static function () use ($answer, $picture, $pdf): void {
    foreach (['datasets', 'charts', 'notes', 'finishes', 'search?q=revenue', 'docs'] as $list) {
        $answer("demo/$list.json", Server::send('GET', "/api/$list"));
    }
    foreach (array_keys((array) Server::send('GET', '/api/datasets')->at('items')) as $i) {
        $id = Server::send('GET', '/api/datasets')->int('items', $i, 'id');
        $dataset = Server::send('GET', "/api/datasets/$id");
        $answer("demo/dataset-$id/dataset.json", $dataset);
        foreach (['checks', 'imports', 'pulse', 'exports/csv', 'exports/jsonl'] as $part) {
            $answer("demo/dataset-$id/".strtr($part, '/', '-'), Server::send('GET', "/api/datasets/$id/$part"));
        }
        $recipe = $dataset->at('firstRecipe');
        foreach (['slots', 'fits'] as $part) {
            $answer(
                "demo/dataset-$id/$part.json", Server::send('POST', "/api/datasets/$id/$part", ['recipe' => $recipe]),
            );
        }
        foreach (array_keys((array) $dataset->at('breakdowns')) as $b) {
            $answer(
                "demo/dataset-$id/table-$b.json",
                Server::send('POST', "/api/datasets/$id/tables", [
                    'by' => $dataset->text('breakdowns', $b, 'name'),
                    'scenario' => 'AC',
                ]),
            );
        }
        $kinds = Server::send('POST', "/api/datasets/$id/drawings", ['recipe' => $recipe]);
        foreach (array_keys((array) $kinds->at('kinds')) as $k) {
            $picture("demo/dataset-$id/kind-{$kinds->text('kinds', $k, 'id')}", $id, [
                'keenMargin' => 1,
                'question' => $kinds->at('kinds', $k, 'question'),
                'kind' => $kinds->text('kinds', $k, 'id'),
            ]);
        }
    }
    foreach (array_keys((array) Server::send('GET', '/api/charts')->at('items')) as $i) {
        $chart = Server::send('GET', '/api/charts');
        $picture(
            "demo/chart-{$chart->int('items', $i, 'id')}",
            $chart->int('items', $i, 'dataset'),
            $chart->at('items', $i, 'recipe'),
        );
    }
    foreach ((array) Server::send('GET', '/api/reports/1')->at('document', 'pages') as $i => $page) {
        $id = Server::send('GET', '/api/reports/1')->text('document', 'pages', (int) $i, 'id');
        $answer("demo/report/$id.json", Server::send('GET', "/api/reports/1/pages/$id"));
        $answer("demo/report/$id-column.json", Server::send('GET', "/api/reports/1/pages/$id?width=380"));
    }
    $pdf('demo/report/report.pdf.txt', Server::send('GET', '/reports/1.pdf'));
    $answer('demo/report/findings.json', Server::send('GET', '/api/reports/1/findings'));
    $answer('demo/report/roll.json', Server::send('GET', '/api/reports/1/roll?to=2026-09'));
});
$server->end();

// Files as they come.
$server = OwnServer::on("$work/files.sqlite");
Server::instead($server, static function () use ($answer, $picture, $root): void {
    foreach (
        [...glob("$root/tests/fixtures/figures/*.*") ?: [], ...glob("$root/tests/fixtures/ledger/*.csv") ?: []] as $file
    ) {
        $name = 'files/'.basename($file);
        $reading = Server::upload(basename($file), (string) file_get_contents($file));
        $answer("$name/reading.json", $reading);
        $answer(
            "$name/trial.json",
            Server::send('POST', "/api/readings/{$reading->text('id')}/trials", ['mapping' => $reading->at('mapping')]),
        );
        $made = Server::send('POST', '/api/datasets', [
            'reading' => $reading->text('id'),
            'name' => basename($file),
            'mapping' => $reading->at('mapping'),
        ]);
        $answer("$name/dataset.json", $made);
        if (201 === $made->status) {
            $answer("$name/export.csv", Server::send('GET', "/api/datasets/{$made->int('id')}/exports/csv"));
            null === $made->at('firstRecipe') || $picture("$name/first", $made->int('id'), $made->at('firstRecipe'));
        }
    }
});
$server->end();

// Random questions.
$server = OwnServer::on("$work/random.sqlite");
Server::instead($server, static function () use ($picture, $cases, $to): void {
    for ($seed = 1; $seed <= LEDGERS; ++$seed) {
        $path = "cases/$seed.json";
        if ('' === $cases) {
            $ledger = new RandomLedger(700_000 + $seed);
            $questions = array_map(
                static fn (int $number): mixed => json_decode($ledger->recipe($ledger->question($number))),
                range(1, QUESTIONS),
            );
            $case = json_encode(
                [
                    'csv' => $ledger->csv,
                    'mapping' => $ledger->mapping,
                    'groups' => $ledger->groups,
                    'roles' => $ledger->roles,
                    'recipes' => $questions,
                ],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            );
        } else {
            $case = (string) file_get_contents("$cases/$path");
        }
        file_put_contents("$to/$path", $case);
        $read = json_decode($case, true);
        assert(
            is_array($read)
                && is_string($read['csv'])
                && is_array($read['mapping'])
                && is_array($read['groups'])
                && is_array($read['roles']),
        );
        /** @var array<string, mixed> $mapping */
        $mapping = $read['mapping'];
        $reading = Server::upload('ledger.csv', $read['csv'])->text('id');
        $dataset = Server::send('POST', '/api/datasets', [
            'reading' => $reading,
            'name' => "Ledger $seed",
            'mapping' => $mapping,
        ])->int('id');
        $breakdown = '/breakdowns/'.Server::send('GET', "/api/datasets/$dataset")->int('breakdowns', 0, 'id');
        foreach ($read['groups'] as $member => $group) {
            Kept::change('PATCH', $dataset, $breakdown, ['members' => [(string) $member], 'group' => $group]);
        }
        foreach ($read['roles'] as $member => $role) {
            Kept::change('PATCH', $dataset, $breakdown, ['members' => [(string) $member], 'role' => $role]);
        }
        $asked = json_decode($case);
        assert($asked instanceof stdClass && is_array($asked->recipes));
        foreach ($asked->recipes as $number => $recipe) {
            $picture("random/$seed-$number", $dataset, $recipe);
        }
    }
});
$server->end();
exec('rm -rf '.escapeshellarg($work));
echo (int) shell_exec('find '.escapeshellarg($to).' -type f | wc -l'), " answers in $to\n";

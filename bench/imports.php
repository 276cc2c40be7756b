<?php

declare(strict_types=1);

/*
 * Whole processes: a million tidy rows and a workbook of 50,000, read, checked and kept by `./keen import`; the same
 * text by
 * the sqlite3 shell's own .import. Prints milliseconds and megabytes as JSON. Usage: php bench/imports.php FOLDER
 */

use KeenMargin\App\Export\Table\ExactCell;
use KeenMargin\App\Export\Table\XlsxWriter;

require dirname(__DIR__).'/vendor/autoload.php';

$folder = $argv[1];
$routes = ['North', 'Holm', 'Outer', 'Sound', 'Skerry Line', 'Brackwater East', 'Lowen', 'Mole', 'Strand', 'Ness'];
mt_srand(7);

$tidy = static function (string $path, int $routesOf, bool $quoted) use ($routes): void {
    $file = fopen($path, 'w') ?: exit(1);
    fwrite($file, "Month,Customer,Route,Scenario,Net revenue\n");
    for ($month = 1; $month <= 10; ++$month) {
        foreach (['Actual', 'Budget'] as $scenario) {
            $lines = [];
            for ($customer = 1; $customer <= 5000; ++$customer) {
                foreach (array_slice($routes, 0, $routesOf) as $route) {
                    $cells = [
                        sprintf('2026-%02d', $month),
                        sprintf('Customer %05d of the Brackwater archipelago', $customer),
                        $route,
                        $scenario,
                        mt_rand(10, 99_999).'.'.mt_rand(10, 99),
                    ];
                    $lines[] = ($quoted ? '"'.implode('","', $cells).'"' : implode(',', $cells))."\n";
                }
            }
            fwrite($file, implode('', $lines));
        }
    }
    fclose($file);
};
$tidy("$folder/million.csv", 10, false);
$tidy("$folder/quoted.csv", 10, true);
$tidy("$folder/tenth.csv", 1, false);
$book = XlsxWriter::to("$folder/book.xlsx", 'Data');
$book->row(['Month', 'Customer', 'Route', 'Actual', 'Budget', 'Memo']);
for ($i = 0; $i < 50_000; ++$i) {
    $book->row([
        sprintf('%d-%02d', 2024 + (intdiv($i, 12) % 3), ($i % 12) + 1),
        'Customer '.intdiv($i, 36),
        $routes[$i % 10],
        new ExactCell(mt_rand(10, 99_999).'.'.mt_rand(10, 99)),
        new ExactCell((string) mt_rand(10, 99_999)),
        'late',
    ]);
}
$book->close();

/**
 * @param list<string> $command
 * @param array<string, string> $environment
 *
 * @return array{float, float|int} milliseconds, and the largest resident size of it or its children so far in MB
 */
function timed(array $command, array $environment = []): array
{
    $start = hrtime(true);
    $process = proc_open(
        $command,
        [1 => ['file', '/dev/null', 'w'], 2 => ['pipe', 'w']],
        $pipes,
        dirname(__DIR__),
        $environment + getenv(),
    );
    $errors = is_resource($process) ? stream_get_contents($pipes[2]) : 'It did not start.';
    if (!is_resource($process) || 0 !== proc_close($process)) {
        fwrite(\STDERR, $errors);
        exit(1);
    }

    return [(hrtime(true) - $start) / 1e6, (getrusage(1)['ru_maxrss'] ?? 0) / 1000];
}
$middle = static function (array $times): float {
    sort($times);

    return $times[intdiv(count($times), 2)];
};
$data = ['KEEN_DATA' => "$folder/data.sqlite"];
timed(['./keen', 'import', 'First', "$folder/tenth.csv", '--new'], $data);
// The smallest first: the largest size is that of all before it.
$times = ['book' => [], 'million' => [], 'quoted' => [], 'shell' => [], 'shell quoted' => []];
$sizes = [];
foreach (['book' => 'book.xlsx', 'million' => 'million.csv', 'quoted' => 'quoted.csv'] as $name => $file) {
    for ($i = 0; $i < 5; ++$i) {
        [$times[$name][], $sizes[$name]] = timed(['./keen', 'import', "$name $i", "$folder/$file", '--new'], $data);
        if ('book' !== $name) {
            [$times['million' === $name ? 'shell' : 'shell quoted'][]] = timed([
                'sqlite3', "$folder/shell.sqlite", '.mode csv', ".import $folder/$file t$i",
            ]);
            @unlink("$folder/shell.sqlite");
        }
    }
}
echo json_encode(
    ['times' => array_map($middle, $times), 'sizes' => $sizes, 'bytes' => filesize("$folder/million.csv")],
    \JSON_THROW_ON_ERROR,
),
"\n";

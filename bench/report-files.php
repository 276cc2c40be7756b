<?php

declare(strict_types=1);

/*
 * A report of 20 pages and 100 charts by `./keen report`, whole process, its figures read as well:
 * `php bench/report-files.php REPORT.json FIGURES.csv NAME pdf|pptx|update` prints milliseconds and megabytes as JSON.
 */

[, $report, $figures, $name, $what] = $argv;
$folder = dirname(__DIR__).'/var';
$ending = 'update' === $what ? 'pptx' : $what;
$output = "$folder/bench-output.$ending";
$command = [dirname(__DIR__).'/keen', 'report', $report, '--figures', "$name=$figures"];
/** @param list<string> $more */
$run = static function (array $more) use ($command): float {
    $start = hrtime(true);
    $pipes = [];
    $process = proc_open([...$command, ...array_values($more)], [2 => ['file', '/dev/null', 'w']], $pipes);
    if (!is_resource($process) || 0 !== proc_close($process)) {
        fwrite(\STDERR, "The report cannot be made.\n");
        exit(1);
    }

    return (hrtime(true) - $start) / 1e6;
};
$more = ['-o', $output];
if ('update' === $what) {
    $run(['-o', "$folder/bench-old.pptx"]);
    $more = ['--update', "$folder/bench-old.pptx", ...$more];
}
$times = array_map($run, array_fill(0, 3, $more));
sort($times);
$bytes = filesize($output);
array_map(unlink(...), glob("$folder/bench-o*.pptx") ?: []);
@unlink($output);
echo json_encode(['ms' => $times[1], 'mb' => (getrusage(1)['ru_maxrss'] ?? 0) / 1000, 'bytes' => $bytes]), "\n";

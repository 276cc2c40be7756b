<?php

declare(strict_types=1);

/*
 * A report of 20 pages and 100 charts as PDF by `./keen report`, whole process, its figures read as well:
 * `php bench/report-pdf.php REPORT.json FIGURES.csv NAME` prints milliseconds and megabytes as JSON.
 */

[, $report, $figures, $name] = $argv;
$output = dirname(__DIR__).'/var/bench.pdf';
$command = [dirname(__DIR__).'/keen', 'report', $report, '--figures', "$name=$figures", '-o', $output];
$times = [];
for ($run = 0; $run < 3; ++$run) {
    $start = hrtime(true);
    $pipes = [];
    $process = proc_open($command, [2 => ['file', '/dev/null', 'w']], $pipes);
    if (!is_resource($process) || 0 !== proc_close($process)) {
        fwrite(\STDERR, "The report cannot be made.\n");
        exit(1);
    }
    $times[] = (hrtime(true) - $start) / 1e6;
}
sort($times);
$bytes = filesize($output);
unlink($output);
echo json_encode(['ms' => $times[1], 'mb' => (getrusage(1)['ru_maxrss'] ?? 0) / 1000, 'bytes' => $bytes]), "\n";

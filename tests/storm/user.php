<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

require \dirname(__DIR__, 2).'/vendor/autoload.php';

/*
 * One user: `user.php BASE SEED DATASET REPORT FOLDER`, the two that all share. Works until the file FOLDER/calm is
 * there, then compares, and writes a report.
 */

[, $base, $seed, $shared, $report, $folder] = $argv;
mt_srand((int) $seed);
$client = new Client($base, "User $seed");
$own = new OwnLedger($client, "Ledger $seed");
$row = new SharedRow($client, (int) $shared, "Row $seed");
$pages = new ReportHand($client, "Pages $seed", 0, true);
$routes = new NamedRoutes($client, "Routes $seed");
$together = new ReportHand($client, "Together $seed", (int) $report, false);
while (!is_file("$folder/calm")) {
    match (mt_rand(0, 8)) {
        0, 1 => $row->step(),
        2 => $pages->step(),
        3 => $together->step(),
        4, 5 => $routes->step(),
        default => $own->step(),
    };
}
while (!is_file("$folder/verify")) {
    usleep(50_000);
}
$own->verify();
$row->verify();
$pages->verify();
$routes->verify();
$together->verify();
file_put_contents(
    "$folder/user-$seed.json",
    json_encode(
        [
            'requests' => $client->requests,
            'reports' => $pages->done + $together->done + $routes->done,
            'wrong' => array_merge(
                $own->wrong, $row->wrong, $pages->wrong, $routes->wrong, $together->wrong, $client->faults,
            ),
        ],
        \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
    ),
);

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

require \dirname(__DIR__, 2).'/vendor/autoload.php';

/*
 * One user: `user.php BASE SEED SHARED FOLDER`. Works until the file FOLDER/calm is there, then compares, and writes a
 * report.
 */

[, $base, $seed, $shared, $folder] = $argv;
mt_srand((int) $seed);
$client = new Client($base, "User $seed");
$own = new OwnLedger($client, "Ledger $seed");
$row = new SharedRow($client, (int) $shared, "Row $seed");
while (!is_file("$folder/calm")) {
    0 === mt_rand(0, 2) ? $row->step() : $own->step();
}
while (!is_file("$folder/verify")) {
    usleep(50_000);
}
$own->verify();
$row->verify();
file_put_contents(
    "$folder/user-$seed.json",
    json_encode(
        ['requests' => $client->requests, 'wrong' => [...$own->wrong, ...$row->wrong, ...$client->faults]],
        \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
    ),
);

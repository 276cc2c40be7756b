<?php

declare(strict_types=1);

/** Has the demo's source ask the ledger at its port, and the ledger restate June: `begin.php DATABASE PORT`. */
[, $database, $port] = $argv;
$connection = new PDO("sqlite:$database", null, null, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
$address = "http://127.0.0.1:$port/entries?from={from}&to={to}";
$connection
    ->prepare("UPDATE source SET settings = json_set(settings, '$.address', ?) WHERE name = 'Harbour ledger'")
    ->execute([$address]);
$told = stream_context_create([
    'http' => ['method' => 'POST', 'header' => 'Content-Type: application/json', 'content' => '{"period": "2026-06"}'],
]);
exit(false === @file_get_contents("http://127.0.0.1:$port/restatement", false, $told) ? 1 : 0);

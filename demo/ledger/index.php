<?php

declare(strict_types=1);

/** Answers requests to the stand-in ledger; README.md says which there are. Served by PHP's own server. */

require __DIR__.'/Ledger.php';
require __DIR__.'/Faults.php';

$ledger = new Ledger(
    getenv('LEDGER_DATA') ?: sys_get_temp_dir().'/keen-ledger.sqlite',
    getenv('LEDGER_DAY') ?: '2026-09-07',
);
$faults = new Faults($ledger->database);
$token = getenv('LEDGER_TOKEN') ?: 'a-token-of-the-demo';
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], \PHP_URL_PATH);
$method = (string) $_SERVER['REQUEST_METHOD'];

/** @param array<string, mixed>|list<mixed> $answer */
function answer(array $answer, int $status = 200): never
{
    http_response_code($status);
    header('Content-Type: application/json');
    echo json_encode($answer, \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR), "\n";
    exit;
}

function day(string $name, string $else): string
{
    $day = $_GET[$name] ?? $else;
    is_string($day) && 1 === preg_match('/^\d{4}-\d\d-\d\d$/', $day) || answer(['error' => "$name is not a day"], 400);

    return (string) $day;
}

if ('POST' === $method) {
    $told = json_decode((string) file_get_contents('php://input'), true);
    is_array($told) || answer(['error' => 'send JSON'], 400);
    answer(match ($path) {
        '/clock' => ['day' => $ledger->moveOn((string) ($told['day'] ?? ''))],
        '/restatement' => ['changed' => $ledger->restate((string) ($told['period'] ?? ''))],
        '/names' => ['changed' => $ledger->rename((string) ($told['from'] ?? ''), (string) ($told['to'] ?? ''))],
        '/entries' => ['entries' => isset($told['entries']) && is_array($told['entries'])
            ? $ledger->put(array_values($told['entries']))
            : $ledger->fill((int) ($told['rows'] ?? 0))],
        '/faults' => ['faults' => $faults->set($told)],
        default => answer(['error' => 'there is nothing here'], 404),
    });
}
if ('/clock' === $path) {
    answer(['day' => $ledger->day()]);
}
if (!in_array($path, ['/entries', '/entries.csv', '/entries.jsonl', '/balances'], true)) {
    answer(['error' => 'there is nothing here'], 404);
}
$faults->before();
$given = (string) ($_SERVER['HTTP_AUTHORIZATION'] ?? '');
$allowed = ["Bearer $token", 'Basic '.base64_encode("analyst:$token")];
if (!in_array($given, $allowed, true) && ($_SERVER['HTTP_X_LEDGER_KEY'] ?? '') !== $token) {
    answer(['error' => 'sign in'], 401);
}
[$day, $customer, $amount] = $faults->columns() ?? ['Day', 'Customer', 'Freight (EUR)'];
[$from, $to] = [day('from', '0000-01-01'), day('to', '9999-12-31')];
if ('/balances' === $path) {
    $period = is_string($_GET['period'] ?? null) ? $_GET['period'] : substr($ledger->day(), 0, 7);
    $rows = array_map(
        static fn (array $row): array => ['Month' => $period, $customer => $row[0], $amount => $row[1]],
        $ledger->balances($period),
    );
    $answer = ['data' => ['period' => $period, 'rows' => $rows]];
    $tag = '"'.hash('xxh128', serialize($answer)).'"';
    header("ETag: $tag");
    if (($_SERVER['HTTP_IF_NONE_MATCH'] ?? '') === $tag) {
        http_response_code(304);
        exit;
    }
    answer($answer);
}
if ('/entries' === $path) {
    $page = max(1, (int) ($_GET['page'] ?? 1));
    $entries = $ledger->page($from, $to, $page);
    $hasMore = count($entries) > Ledger::PAGE;
    if ($hasMore) {
        $query = http_build_query(['from' => $from, 'to' => $to, 'page' => $page + 1]);
        header("Link: </entries?$query>; rel=\"next\"");
    }
    $rows = array_map(
        static fn (array $row): array => [$day => $row[0], $customer => $row[1], $amount => $row[2]],
        array_slice($entries, 0, Ledger::PAGE),
    );
    $faults->cutOff((string) json_encode($rows));
    answer(['entries' => $rows]);
}
$isCsv = '/entries.csv' === $path;
header('Content-Type: '.($isCsv ? 'text/csv' : 'application/x-ndjson'));
$faults->endless("$day,$customer,$amount\n");
$text = $isCsv ? "$day,$customer,$amount\n" : '';
$json = static fn (array $row): string => (string) json_encode(
    [$day => $row[0], $customer => $row[1], $amount => $row[2]], \JSON_UNESCAPED_UNICODE,
);
foreach ($isCsv ? $ledger->lines($from, $to) : $ledger->entries($from, $to) as $row) {
    $text .= ($isCsv ? $row : $json($row))."\n";
    if (strlen($text) > 500_000) {
        $faults->cutOff($text);
        echo $text;
        $text = '';
    }
}
$faults->cutOff($text);
echo $text;

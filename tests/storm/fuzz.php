<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\OwnServer;
use KeenMargin\Tests\app\Server;

require \dirname(__DIR__, 2).'/vendor/autoload.php';

/*
 * Every endpoint of the API description, asked in ways that it does not describe: `fuzz.php [--seed N] [--requests N]`.
 * No answer may be a 500, tell of the inside, or take longer than five seconds; what is refused is refused as
 * problem+json.
 */

const LATE = 5.0;
const INSIDE = '#/(?:work|home|usr|var|tmp)/|\.php\b|SQLSTATE|Stack trace|KeenMargin\\\\\\\\|vendor/#';

$options = getopt('', ['seed:', 'requests:', 'seconds:', 'users:']);
$number = static fn (string $name, int $else): int => isset($options[$name])
&& \is_string($options[$name])
&& ctype_digit($options[$name])
    ? (int) $options[$name]
    : $else;
$seed = $number('seed', 1);
$most = $number('requests', 3000);
mt_srand($seed);

$folder = sys_get_temp_dir().'/keen-fuzz-'.bin2hex(random_bytes(4));
mkdir($folder);
$server = OwnServer::on("$folder/keen.sqlite");
$description = json_decode((string) file_get_contents(\dirname(__DIR__, 2).'/docs/openapi.json'), true);
$wrong = [];
$statuses = [];
try {
    \assert(
        \is_array($description)
            && \is_array($description['paths'])
            && \is_array($description['components'])
            && \is_array($description['components']['schemas']),
    );
    $known = Server::instead($server, static function (): array {
        $csv =
            "Month,Route,Ship,Actual,Budget\n2026-01,North,Tern,10,11\n2026-02,North,Gull,20,21\n"
                ."2026-02,Holm,Tern,5,6\n";
        $id = Kept::made($csv);
        $dataset = Server::send('GET', "/api/datasets/$id");
        $recipe = $dataset->at('firstRecipe');
        $chart = Server::send('POST', '/api/charts', ['dataset' => $id, 'name' => 'Chart', 'recipe' => $recipe]);
        $note = Server::send('POST', "/api/datasets/$id/notes", [
            'recipe' => $recipe,
            'row' => '2026-02',
            'text' => 'Note',
        ]);
        $finish = Server::send('POST', '/api/finishes', ['name' => 'Plain', 'finish' => (object) []]);

        return [
            'datasets' => $id,
            'charts' => $chart->int('id'),
            'notes' => $note->int('id'),
            'finishes' => $finish->int('id'),
            'imports' => Server::send('GET', "/api/datasets/$id/imports")->int('items', 0, 'id'),
            'readings' => Server::upload('again.csv', $csv)->text('id'),
            'measures' => $dataset->int('measures', 0, 'id'),
            'breakdowns' => $dataset->int('breakdowns', 0, 'id'),
            'recipe' => $recipe,
        ];
    });
    $values = new OddValues($description['components']['schemas'], $known);
    $operations = [];
    foreach ($description['paths'] as $path => $methods) {
        foreach (\is_array($methods) ? $methods : [] as $method => $operation) {
            $operations[] = [(string) $path, strtoupper((string) $method), \is_array($operation) ? $operation : []];
        }
    }
    $requests = 0;
    while ($requests < $most) {
        foreach ($operations as [$path, $method, $operation]) {
            ++$requests;
            [$address, $body, $headers] = $values->request($path, $operation);
            $method =
                0 === mt_rand(0, 15)
                    ? ['PUT', 'PATCH', 'OPTIONS', 'HEAD', 'DELETE', 'POST', 'PROPFIND'][mt_rand(0, 6)]
                    : $method;
            $handle = curl_init($server->base.$address);
            \assert(false !== $handle && '' !== $method);
            curl_setopt_array($handle, [
                \CURLOPT_CUSTOMREQUEST => $method,
                \CURLOPT_NOBODY => 'HEAD' === $method,
                \CURLOPT_RETURNTRANSFER => true,
                \CURLOPT_HEADER => true,
                \CURLOPT_TIMEOUT => 30,
                \CURLOPT_PATH_AS_IS => true,
                \CURLOPT_HTTPHEADER => ['Expect:', ...$headers],
            ]);
            null === $body || 'HEAD' === $method || curl_setopt($handle, \CURLOPT_POSTFIELDS, $body);
            $answer = (string) curl_exec($handle);
            $status = curl_getinfo($handle, \CURLINFO_RESPONSE_CODE);
            $seconds = curl_getinfo($handle, \CURLINFO_TOTAL_TIME);
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            $told = "$method $address ".mb_substr(mb_scrub((string) $body), 0, 200).' '.implode(' | ', $headers);
            if ($status >= 500 || 0 === $status) {
                $wrong[] = "$status: $told";
            }
            if ($seconds > LATE) {
                $wrong[] = \sprintf('%.1f s: %s', $seconds, $told);
            }
            [$head, $content] = explode("\r\n\r\n", $answer, 2) + ['', ''];
            if ($status >= 400 && '' !== $content) {
                if (!str_contains($head, 'application/problem+json')) {
                    $wrong[] = "refused, but not as a problem: $told";
                }
                // What was sent may be told back; the inside may not.
                if (
                    1 === preg_match(INSIDE, str_replace('\/', '/', $content))
                    && 1 !== preg_match(INSIDE, $address.$body)
                ) {
                    $wrong[] = "tells of the inside: $told: ".mb_substr($content, 0, 300);
                }
            }
        }
    }
} finally {
    $server->end();
    exec('rm -rf '.escapeshellarg($folder));
}
ksort($statuses);
echo 'Fuzz of seed ',
$seed,
': ',
implode(
    ', ',
    array_map(static fn (int $status, int $count): string => "$count × $status", array_keys($statuses), $statuses),
),
"\n";
foreach (\array_slice(array_unique($wrong), 0, 20) as $says) {
    echo "WRONG   $says\n";
}
exit([] === $wrong ? 0 : 1);

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\App\Storage\Upkeep\Soundness;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\OwnServer;
use KeenMargin\Tests\app\Server;

require \dirname(__DIR__, 2).'/vendor/autoload.php';

/*
 * A storm: `storm.php [--seed N] [--seconds N] [--users N]`. Users change figures and reports at once while the
 * server's workers are killed, its disk fills, its database is held by others and restorations are cut off. After each
 * round all that was acknowledged must be there, and nothing else; the store must be sound; no answer may have been a
 * 500. The same seed raises the same storm.
 */

$options = getopt('', ['seed:', 'seconds:', 'users:']);
$number = static fn (string $name, int $else): int => isset($options[$name])
&& \is_string($options[$name])
&& ctype_digit($options[$name])
    ? (int) $options[$name]
    : $else;
$seed = $number('seed', (int) (microtime(true) * 10) % 1_000_000);
$until = time() + $number('seconds', 60);
$users = $number('users', 6);
const ROUND_SECONDS = 18;

$disk = sys_get_temp_dir().'/keen-storm-'.bin2hex(random_bytes(4));
mkdir($disk);
exec('mount -t tmpfs -o size=48m none '.escapeshellarg($disk).' 2>/dev/null', $said, $code);
$isSmallDisk = 0 === $code;
$wrong = [];
$befell = [];
$requests = $reports = $rounds = 0;
try {
    $database = "$disk/keen.sqlite";
    $server = OwnServer::on($database, more: ['KEEN_LONG_FROM' => '40']);
    echo "Storm of seed $seed, $users users",
    $isSmallDisk ? '' : '; without a full disk, as only root can make a small one',
    "\n";
    do {
        mt_srand($seed + ++$rounds);
        $shared = Server::instead(
            $server,
            static fn (): int => Kept::made("Month,Route,Actual\n2026-01,All,1\n2026-02,All,1\n"),
        );
        $report = ReportHand::made(new Client($server->base, 'Storm'), "Storm $rounds");
        $folder = "$disk/round-$rounds";
        mkdir($folder);
        $processes = [];
        for ($user = 1; $user <= $users; ++$user) {
            $processes[] = proc_open(
                [
                    \PHP_BINARY,
                    __DIR__.'/user.php',
                    $server->base,
                    (string) (1000 * ($seed + $rounds) + $user),
                    (string) $shared,
                    (string) $report,
                    $folder,
                ],
                [1 => \STDERR, 2 => \STDERR],
                $pipes,
            );
        }
        $weather = new Weather($server, $database, $isSmallDisk);
        $end = min($until, time() + ROUND_SECONDS);
        while (time() < $end) {
            $weather->blow();
        }
        touch("$folder/calm");
        sleep(1);
        touch("$folder/verify");
        array_map(static fn ($process): int => \is_resource($process) ? proc_close($process) : 1, $processes);
        foreach (range(1, $users) as $user) {
            $path = "$folder/user-".(1000 * ($seed + $rounds) + $user).'.json';
            $report = json_decode((string) @file_get_contents($path), true);
            if (!\is_array($report) || !\is_array($report['wrong']) || !\is_int($report['requests'])) {
                $wrong[] = "User $user of round $rounds left no report";
                continue;
            }
            $requests += $report['requests'];
            $reports += \is_int($report['reports']) ? $report['reports'] : 0;
            array_push(
                $wrong,
                ...array_map(static fn (mixed $says): string => \is_string($says) ? $says : '', $report['wrong']),
            );
        }
        array_push($wrong, ...$weather->wrong);
        foreach ($weather->befell as $what => $count) {
            $befell[$what] = ($befell[$what] ?? 0) + $count;
        }
        foreach (Soundness::ofFile($database)->check() as $check) {
            [] === $check['troubles'] || ($wrong[] = "Not sound: {$check['what']}: ".implode('; ', $check['troubles']));
        }
        foreach (glob("$disk/files/*.part") ?: [] as $part) {
            $wrong[] = basename($part).' was left behind';
        }
    } while ([] === $wrong && time() < $until);
} finally {
    isset($server) && $server->end();
    $isSmallDisk && exec('umount -l '.escapeshellarg($disk));
    exec('rm -rf '.escapeshellarg($disk));
}
echo "$rounds rounds, $requests requests, $reports changes of reports; ",
implode(', ', array_map(static fn (string $what, int $count): string => "$count $what", array_keys($befell), $befell)),
"\n";
foreach (\array_slice($wrong, 0, 20) as $says) {
    echo "WRONG   $says\n";
}
echo [] === $wrong
    ? "All that was acknowledged is there, and nothing else.\n"
    : \count($wrong)." things are wrong. The seed is $seed.\n";
exit([] === $wrong ? 0 : 1);

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\App\Storage\Upkeep\Soundness;
use KeenMargin\Tests\app\Command;
use KeenMargin\Tests\app\OwnServer;

/**
 * What befalls a server: its workers are killed, its disk fills, its database is held by others, backups are made of
 * it.
 */
final class Weather
{
    /** @var array<string, int> how often each befell it */
    public array $befell = [
        'killed workers' => 0,
        'killed jobs' => 0,
        'full disks' => 0,
        'held locks' => 0,
        'backups' => 0,
        'killed restorations' => 0,
    ];
    /** @var list<string> */
    public array $wrong = [];

    public function __construct(
        private readonly OwnServer $server,
        private readonly string $database,
        private readonly bool $isSmallDisk,
    ) {}

    public function blow(): void
    {
        match (mt_rand(0, 9)) {
            0, 1, 2 => $this->killWorker(),
            3, 4 => $this->killJob(),
            5 => $this->fillDisk(),
            6 => $this->holdLock(),
            7, 8 => $this->backup(),
            default => usleep(300_000),
        };
    }

    private function killWorker(): void
    {
        // Those of the front are killed seldom: with them all the answers that they carry are lost.
        $workers = $this->server->workers(0 === mt_rand(0, 9) ? 'nginx' : 'php-fpm');
        if ([] !== $workers) {
            posix_kill($workers[mt_rand(0, \count($workers) - 1)], \SIGKILL);
            ++$this->befell['killed workers'];
        }
        usleep(100_000);
    }

    private function killJob(): void
    {
        for ($until = microtime(true) + 1.0; microtime(true) < $until; usleep(5_000)) {
            foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $path) {
                $isOurs = str_contains(
                    (string) @file_get_contents(\dirname($path).'/environ'), "KEEN_DATA=$this->database",
                );
                if ($isOurs && str_contains((string) @file_get_contents($path), 'keen:work')) {
                    usleep(mt_rand(0, 250_000));
                    posix_kill((int) basename(\dirname($path)), \SIGKILL) && ++$this->befell['killed jobs'];

                    return;
                }
            }
        }
    }

    private function fillDisk(): void
    {
        if (!$this->isSmallDisk) {
            return;
        }
        $room = \dirname($this->database).'/room';
        $file = fopen($room, 'w');
        \assert(\is_resource($file));
        while (0 < (int) @fwrite($file, str_repeat('x', 65_536))) {
        }
        while (0 < (int) @fwrite($file, str_repeat('x', 512))) {
        }
        fclose($file);
        usleep(mt_rand(200_000, 1_500_000));
        unlink($room);
        ++$this->befell['full disks'];
    }

    private function holdLock(): void
    {
        $other = Soundness::opened($this->database);
        try {
            $other->exec('BEGIN IMMEDIATE');
            usleep(mt_rand(100_000, 6_000_000));
            $other->exec('ROLLBACK');
            ++$this->befell['held locks'];
        } catch (\PDOException) {
            // Others write without a pause: that is a storm as well.
        }
    }

    /** Nobody writes for its time, so that what it holds can be compared figure by figure. */
    private function backup(): void
    {
        $to = (string) tempnam(sys_get_temp_dir(), 'keen-storm-');
        $isCompared = 0 === mt_rand(0, 1);
        $other = Soundness::opened($this->database);
        try {
            $isCompared && $other->exec('BEGIN IMMEDIATE');
        } catch (\PDOException) {
            $isCompared = false;
        }
        [$code, $says, $errors] = Command::keen(['backup', '-o', $to], environment: ['KEEN_DATA' => $this->database]);
        $figures = $isCompared ? self::figures($other) : [];
        $isCompared && $other->exec('ROLLBACK');
        if (0 !== $code) {
            $this->wrong[] = "A backup failed: $says$errors";
            @unlink($to);

            return;
        }
        $folder = "$to-restored";
        0 === mt_rand(0, 1) && $this->killRestoration($to, "$folder/keen.sqlite");
        [$code, $says, $errors] = Command::keen(
            ['restore', $to, '--replace'], environment: ['KEEN_DATA' => "$folder/keen.sqlite"],
        );
        0 === $code || ($this->wrong[] = "A backup did not come back: $says$errors");
        if (0 === $code) {
            $this->insistOnSound("$folder/keen.sqlite", 'A backup');
            if ($isCompared && self::figures(Soundness::opened("$folder/keen.sqlite")) !== $figures) {
                $this->wrong[] = 'A backup holds other figures than there were.';
            }
        }
        exec('rm -rf '.escapeshellarg($to).' '.escapeshellarg($folder));
        ++$this->befell['backups'];
    }

    /** Whatever one that was cut off left behind must not be in the way of the next. */
    private function killRestoration(string $backup, string $into): void
    {
        $process = proc_open(
            [\dirname(__DIR__, 2).'/keen', 'restore', $backup],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            ['KEEN_DATA' => $into] + getenv(),
        );
        \assert(\is_resource($process));
        usleep(mt_rand(50_000, 900_000));
        exec('pkill -KILL -f '.escapeshellarg('restore '.$backup).' 2>/dev/null');
        proc_terminate($process, \SIGKILL);
        proc_close($process);
        ++$this->befell['killed restorations'];
        // What lies in its place is whole, or is not there yet.
        is_file($into) && $this->insistOnSound($into, 'A restoration that was cut off');
    }

    private function insistOnSound(string $database, string $what): void
    {
        foreach (Soundness::ofFile($database)->check() as $check) {
            [] === $check['troubles']
                || ($this->wrong[] = "$what is not sound: {$check['what']}: {$check['troubles'][0]}");
        }
    }

    /** @return array<mixed> every amount with where it came from */
    private static function figures(\PDO $database): array
    {
        $rows = $database->query(
            'SELECT s.dataset, s.measure, s.scenario, s.m0, hex(p.amounts), hex(p.imports) FROM series s JOIN packed '.
                'p ON p.series = s.id ORDER BY s.id',
            \PDO::FETCH_NUM,
        );

        return false === $rows ? [] : $rows->fetchAll();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\TestCase;

/** An import that is killed at any moment leaves the dataset as it was before or as it is after, never between. */
final class KilledImportTest extends TestCase
{
    private const ROUNDS = 24;
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keen-killed-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        file_put_contents("$this->folder/before.csv", self::csv(1));
        file_put_contents("$this->folder/after.csv", self::csv(2));
        self::assertSame(0, $this->import('before.csv', '--new'));
    }

    protected function tearDown(): void
    {
        array_map(
            unlink(...),
            array_filter([...glob("$this->folder/*") ?: [], ...glob("$this->folder/files/*") ?: []], is_file(...)),
        );
        rmdir("$this->folder/files");
        rmdir($this->folder);
    }

    public function testItIsAllOrNothing(): void
    {
        $states = [$this->state() => 'before'];
        copy("$this->folder/data.sqlite", "$this->folder/kept.sqlite");
        $start = hrtime(true);
        self::assertSame(0, $this->import('after.csv'));
        $whole = (hrtime(true) - $start) / 1000;
        $states[$this->state()] = 'after';
        self::assertCount(2, $states, 'the import changes something');
        mt_srand(61);
        $seen = [];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            array_map(unlink(...), glob("$this->folder/data.sqlite-*") ?: []);
            copy("$this->folder/kept.sqlite", "$this->folder/data.sqlite");
            $this->killAfter((int) (($whole * mt_rand(20, 105)) / 100));
            self::assertArrayHasKey($this->state(), $states, "round $round: between before and after");
            $seen[$states[$this->state()]] = true;
            self::assertSame('ok', $this->ask('PRAGMA integrity_check'));
        }
        self::assertArrayHasKey('before', $seen);
        self::assertSame(0, $this->import('after.csv'), 'the next import works');
        self::assertSame('after', $states[$this->state()]);
    }

    private static function csv(int $factor): string
    {
        $lines = ["Month,Route,Actual,Budget\n"];
        foreach (range(0, 35) as $month) {
            foreach (range(1, 250) as $route) {
                $lines[] = \sprintf(
                    "%d-%02d,Route %d,%d,%d\n",
                    2024 + intdiv($month, 12),
                    ($month % 12) + 1,
                    $route + $factor,
                    $factor * ($route + $month),
                    $route,
                );
            }
        }

        return implode('', $lines);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return array_filter(
            ['KEEN_DATA' => "$this->folder/data.sqlite"] + getenv(), is_string(...), \ARRAY_FILTER_USE_KEY,
        );
    }

    private function import(string $file, string ...$more): int
    {
        $process = proc_open(
            [\dirname(__DIR__, 2).'/bin/import', 'Killed', "$this->folder/$file", ...array_values($more)],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
            $pipes,
            null,
            $this->environment(),
        );
        \assert(\is_resource($process));

        return proc_close($process);
    }

    private function killAfter(int $microseconds): void
    {
        $process = proc_open(
            ['setsid', \dirname(__DIR__, 2).'/bin/import', 'Killed', "$this->folder/after.csv"],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
            $pipes,
            null,
            $this->environment(),
        );
        \assert(\is_resource($process));
        usleep($microseconds);
        posix_kill(-proc_get_status($process)['pid'], 9);
        proc_close($process);
    }

    /** A digest of everything that the dataset consists of, times of the day aside. */
    private function state(): string
    {
        return implode(
            ' ',
            array_map($this->ask(...), [
                'SELECT COUNT(*) || "/" || SUM(LENGTH(amounts)) FROM packed',
                'SELECT group_concat(hex(amounts)) FROM series_total', 'SELECT COUNT(*) FROM touched',
                'SELECT COUNT(*) || "/" || group_concat(name) FROM import', 'SELECT COUNT(*) FROM member',
                'SELECT fact_count FROM dataset',
            ]),
        );
    }

    private function ask(string $sql): string
    {
        $database = new \PDO("sqlite:$this->folder/data.sqlite");
        $answer = $database->query(str_replace('"', "'", $sql));
        $value = false === $answer ? '' : $answer->fetchColumn();

        return \is_scalar($value) ? (\strlen((string) $value) > 80 ? md5((string) $value) : (string) $value) : '';
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use KeenMargin\App\Storage\Files\KeptFiles;

/** What takes how much room. */
final readonly class Status
{
    public function __construct(private string $database, private string $work) {}

    /** @return list<array{string, int, string}> what, its bytes, and how long it stays */
    public function sizes(): array
    {
        $kept = KeptFiles::beside($this->database);
        $of = static fn (string $pattern): int => array_sum(array_map(self::size(...), glob($pattern) ?: []));

        return [
            [
                'figures, charts, notes and steps',
                $of($this->database) + $of("$this->database-wal") + $of("$this->database-shm"),
                'steps '.Tidy::STEP_DAYS.' days, deleted datasets and charts '.Tidy::DELETED_DAYS.' days',
            ],
            ['files that figures came from', array_sum($kept->sizes()), 'as long as their import'],
            ['what was there before a restoration', $of(\dirname($this->database).'/before-*'), 'until you remove it'],
            ['files handed in and not confirmed', $of("$this->work/readings"), '1 day'],
            ['jobs', $of(\dirname($this->database).'/jobs'), '7 days'],
            ['logs', $of("$this->work/log"), '14 days'],
        ];
    }

    private static function size(string $path): int
    {
        if (!is_dir($path)) {
            return (int) @filesize($path);
        }
        $bytes = 0;
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($path, \FilesystemIterator::SKIP_DOTS));
        /** @var \SplFileInfo $file */
        foreach ($files as $file) {
            $bytes += $file->isFile() ? $file->getSize() : 0;
        }

        return $bytes;
    }
}

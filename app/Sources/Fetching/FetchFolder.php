<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

use KeenMargin\App\Storage\Files\WholeFile;

/** A folder for what is being fetched; it goes when the fetch has ended. */
final readonly class FetchFolder
{
    private const HOURS = 24;

    private function __construct(public string $path) {}

    public static function make(): self
    {
        $all = sys_get_temp_dir().'/keen-fetch-'.(\function_exists('posix_getuid') ? posix_getuid() : 0);
        WholeFile::folder($all);
        foreach (glob("$all/*", \GLOB_ONLYDIR) ?: [] as $left) {
            // Of a process that was killed.
            (int) @filemtime($left) < time() - 3600 * self::HOURS && (new self($left))->remove();
        }
        $folder = new self($all.'/'.bin2hex(random_bytes(8)));
        WholeFile::folder($folder->path);

        return $folder;
    }

    public function remove(): void
    {
        array_map(static fn (string $file): bool => @unlink($file), glob("$this->path/*") ?: []);
        @rmdir($this->path);
    }
}

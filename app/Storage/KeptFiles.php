<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

/** The files that figures came from, beside the database, so that every figure can be shown in the row that it stood in. */
final readonly class KeptFiles
{
    public function __construct(private string $folder)
    {
    }

    public static function beside(string $database): self
    {
        return new self(\dirname($database).'/files');
    }

    /** @return string the name under which it is kept */
    public function keep(string $path, string $digest): string
    {
        $name = $digest.'-'.filesize($path);
        $kept = "$this->folder/$name";
        if (is_file($kept)) {
            return $name;
        }
        if (!is_dir($this->folder) && !@mkdir($this->folder, 0o700, true) && !is_dir($this->folder)) {
            throw new \RuntimeException("The folder $this->folder cannot be made.");
        }
        $part = "$kept.".getmypid().'.part';
        // A copy, never a link: the file may go on changing where it was.
        if (!copy($path, $part)) {
            throw new \RuntimeException("The file cannot be kept in $this->folder.");
        }
        rename($part, $kept);

        return $name;
    }

    public function maybePath(string $name): ?string
    {
        $path = "$this->folder/$name";

        return 1 === preg_match('/^[0-9a-f]+-\d+$/D', $name) && is_file($path) ? $path : null;
    }
}

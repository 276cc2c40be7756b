<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Files;

/** A file that could not be written whole; nothing of it is left. */
final class NotWritten extends \RuntimeException
{
    /** @param bool $isFull whether the disk has no room for it, so that it is not about rights */
    private function __construct(string $message, public readonly bool $isFull)
    {
        parent::__construct($message);
    }

    /** @param int $bytes that it takes, as far as is known */
    public static function at(string $path, int $bytes = 0): self
    {
        $free = @disk_free_space(\dirname($path));
        $isFull = false !== $free && $free < $bytes + 65_536;

        return new self(
            \sprintf('%s cannot be written%s.', basename($path), $isFull ? ': the disk is full' : ''),
            $isFull,
        );
    }
}

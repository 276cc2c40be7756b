<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

use KeenMargin\App\Storage\Files\NotWritten;

/** Why the store does not take or give what it should, told by cause and remedy. */
enum StorageTrouble
{
    case Busy;
    case Full;
    case NotWritable;
    case Damaged;

    /** Result codes of SQLite, https://sqlite.org/rescode.html */
    private const CODES = [
        5 => self::Busy,
        6 => self::Busy,
        8 => self::NotWritable,
        10 => self::Damaged,
        11 => self::Damaged,
        13 => self::Full,
        14 => self::NotWritable,
        26 => self::Damaged,
    ];

    /** Codes that only say that reading or writing failed: the disk itself tells why. */
    private const UNCLEAR = [10, 14];
    private const NO_ROOM = 65_536;

    /**
     * None where the error is about something else.
     *
     * @param ?string $database its path, where it is known
     */
    public static function maybeOf(\Throwable $error, ?string $database = null): ?self
    {
        for ($one = $error; null !== $one; $one = $one->getPrevious()) {
            if ($one instanceof NotWritten) {
                return $one->isFull ? self::Full : self::NotWritable;
            }
            $code = $one instanceof \PDOException ? $one->errorInfo[1] ?? null : null;
            if (\is_int($code)) {
                // The lowest byte is the code, those above it tell more.
                $code &= 0xFF;
                $ofDisk =
                    null !== $database && \in_array($code, self::UNCLEAR, true)
                        ? self::maybeOfDisk(\dirname($database))
                        : null;

                return $ofDisk ?? (self::CODES[$code] ?? null);
            }
        }

        return null;
    }

    private static function maybeOfDisk(string $folder): ?self
    {
        $free = @disk_free_space($folder);

        return false !== $free && $free < self::NO_ROOM
            ? self::Full
            : (is_writable($folder) ? null : self::NotWritable);
    }

    public function status(): int
    {
        return self::Full === $this ? 507 : 503;
    }

    public function says(): string
    {
        return match ($this) {
            self::Busy => 'Figures are being brought in just now, so that this had to wait too long. Nothing of '
                .'yours was changed. Try again in a moment.',
            self::Full => 'The disk that holds the figures is full, so that nothing can be changed; nothing was. '
                .'Make room on it (./keen status shows what takes how much), then try again.',
            self::NotWritable => 'The folder that holds the figures cannot be written to, so that they can only be '
                .'looked at; nothing was changed. Give Keen Margin the right to write there, then try again.',
            self::Damaged => 'The database cannot be read: it is damaged, or no database of Keen Margin. ./keen '
                .'check says where, ./keen restore brings a backup back.',
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

/** A place that sources may not reach: what it is, and who could allow it. */
final class NotAllowed extends \RuntimeException
{
    public static function address(string $host, int $port, string $address): self
    {
        return new self(
            "$host is at $address, which is not a public address. Whoever runs Keen Margin can allow it with ".
                "KEEN_MAY_REACH=\"$host:$port\".",
        );
    }

    public static function scheme(): self
    {
        return new self('Only addresses that begin with http:// or https:// are fetched.');
    }

    public static function folder(string $folder): self
    {
        return new self(
            "$folder is not in a folder that files may be taken from. Whoever runs Keen Margin can allow it with ".
                'KEEN_FOLDERS.',
        );
    }
}

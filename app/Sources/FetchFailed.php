<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources;

/** Figures that could not be fetched, and why, in a sentence that holds no secret. */
final class FetchFailed extends \RuntimeException
{
    /** @param ?string $secret that must not be said, whatever the message of another program holds */
    public static function because(string $says, ?string $secret = null): self
    {
        $one = trim((string) preg_replace('/\s+/', ' ', mb_scrub($says)));
        $safe = null === $secret || '' === $secret ? $one : str_replace($secret, '…', $one);

        return new self(mb_substr($safe, 0, 600));
    }
}

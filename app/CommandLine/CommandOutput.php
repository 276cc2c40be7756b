<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** What a command has made. */
final readonly class CommandOutput
{
    /** @param ?string $file null: standard output */
    public function __construct(public string $bytes, public ?string $file)
    {
    }
}

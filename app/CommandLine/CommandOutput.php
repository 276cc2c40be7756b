<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

/** What a command has made. */
final readonly class CommandOutput
{
    /**
     * @param ?string $file null: standard output
     * @param list<string> $notices what whoever hands it on should know, a line each
     */
    public function __construct(public string $bytes, public ?string $file, public array $notices = []) {}
}

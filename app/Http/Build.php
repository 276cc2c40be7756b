<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Which code is running: another build may draw the same numbers otherwise. */
final readonly class Build
{
    public function __construct(#[Autowire('%kernel.project_dir%')] private string $project) {}

    /** A short hash of the code that draws, as bin/setup keeps it. */
    public function hash(): string
    {
        return substr((string) @file_get_contents("$this->project/var/cache.stamp"), 0, 12);
    }
}

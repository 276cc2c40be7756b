<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

/** The template of slides as it is kept. */
final readonly class KeptTemplate
{
    /**
     * @param string $name of the file
     * @param string $digest SHA-256 of its bytes
     * @param string $layout by name; blank: the most suitable
     * @param array<string, string> $roles names of colours by role, where they were set
     */
    public function __construct(
        public string $name,
        public string $digest,
        public string $layout,
        public array $roles,
    ) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** A polygon where it has a fill, an open line of several corners where it has only a stroke. */
final readonly class Path implements Mark
{
    /** @param non-empty-list<array{float, float}> $points */
    public function __construct(
        public array $points,
        public ?string $fill = null,
        public ?string $stroke = null,
        public float $thickness = 1.0,
        public string $role = '',
        public ?string $key = null,
        public ?string $of = null,
    ) {}

    public function toArray(): array
    {
        return Plain::mark('path', $this);
    }
}

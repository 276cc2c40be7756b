<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

final readonly class Circle implements Mark
{
    /** @param float $x of the centre, as $y */
    public function __construct(
        public float $x,
        public float $y,
        public float $radius,
        public string $fill,
        public ?string $stroke = null,
        public float $thickness = 1.0,
        public string $role = '',
        public ?string $key = null,
        public ?string $of = null,
    ) {}

    public function toArray(): array
    {
        return Plain::mark('circle', $this);
    }
}

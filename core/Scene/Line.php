<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

final readonly class Line implements Mark
{
    /** @param ?string $dash lengths of stroke and gap, such as `1.5 3` */
    public function __construct(
        public float $x1,
        public float $y1,
        public float $x2,
        public float $y2,
        public string $stroke,
        public float $thickness = 1.0,
        public ?string $dash = null,
        public string $role = '',
        public ?string $key = null,
        public ?string $of = null,
        public ?Measures $measures = null,
    ) {}

    public function toArray(): array
    {
        return Plain::mark('line', $this);
    }
}

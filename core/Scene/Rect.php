<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

final readonly class Rect implements Mark
{
    /** @param string $fill name of an ink; $stroke likewise, drawn inside the edge's middle */
    public function __construct(
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public string $fill,
        public ?string $stroke = null,
        public string $role = '',
        public ?string $key = null,
        public ?string $of = null,
        public ?Measures $measures = null,
    ) {}

    public function toArray(): array
    {
        return Plain::mark('rect', $this);
    }
}

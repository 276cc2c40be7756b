<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Block;

/** One number with its variance. */
final readonly class KeyFigure
{
    /**
     * @param string $dataset name or id; blank: the only one
     * @param array<string, mixed> $recipe whose total it is
     * @param string $label what it is called; blank: its measure and span
     */
    public function __construct(
        public string $id,
        public string $dataset,
        public array $recipe,
        public string $label = '',
    ) {}
}

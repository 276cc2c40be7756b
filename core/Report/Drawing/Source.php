<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Report\Page;

/** Where the numbers of a block or a key figure come from. */
final readonly class Source
{
    /**
     * @param string $dataset as the report names it; of a named chart told by the chart
     * @param array<string, mixed>|null $recipe null: that of the named chart
     */
    public function __construct(
        public Page $page,
        public string $dataset,
        public ?array $recipe,
        public string $named = '',
    ) {}
}

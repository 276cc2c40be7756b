<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;

/** What the reader is told of a measure beyond its amounts. A ratio names its parts; it has no column of its own. */
final readonly class MeasureRule
{
    public function __construct(
        public ?string $unit = null,
        public ?Grouping $grouping = null,
        public ?Better $better = null,
        public ?string $numerator = null,
        public ?string $denominator = null,
    ) {
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter([
            'unit' => $this->unit,
            'grouping' => $this->grouping?->value,
            'better' => $this->better?->value,
            'numerator' => $this->numerator,
            'denominator' => $this->denominator,
        ], static fn (?string $value): bool => null !== $value);
    }
}

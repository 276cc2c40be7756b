<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\OverMembers;

/** What the reader is told of a measure beyond its amounts. A ratio names its parts; it has no column of its own. */
final readonly class MeasureRule
{
    public const POWERS = [1 => 0, 1000 => 3, 1_000_000 => 6, 1_000_000_000 => 9];

    /**
     * @param ?Grouping $grouping over periods; null: added up
     * @param ?OverMembers $overMembers null: added up
     * @param 0|3|6|9 $power of ten that the amounts come in: 3 where the file has thousands
     * @param ?int $band from 0, where the amounts are limits of bands
     */
    public function __construct(
        public ?string $unit = null,
        public ?Grouping $grouping = null,
        public ?Better $better = null,
        public ?string $numerator = null,
        public ?string $denominator = null,
        public int $power = 0,
        public ?int $band = null,
        public ?OverMembers $overMembers = null,
    ) {}

    /** Whether two amounts of one key cannot be added up. */
    public function isOfSingleAmounts(): bool
    {
        return Grouping::Rate === $this->grouping || !\in_array($this->overMembers, [null, OverMembers::Sum], true);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return array_filter(
            [
                'unit' => $this->unit,
                'grouping' => $this->grouping?->value,
                'overMembers' => $this->overMembers?->value,
                'better' => $this->better?->value,
                'numerator' => $this->numerator,
                'denominator' => $this->denominator,
                'factor' => 0 === $this->power ? null : 10 ** $this->power,
            ],
            static fn (string|int|null $value): bool => null !== $value,
        );
    }
}

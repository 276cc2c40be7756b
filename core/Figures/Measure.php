<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** What is counted. A ratio is made of two other measures of the same dataset. */
final readonly class Measure
{
    /**
     * @param string           $unit     of its amounts: `EUR`, `%`, or none
     * @param non-negative-int $decimals of its amounts, as they came
     * @param ?int             $band     from 0, where its amounts are the limits of a band; else it is a measure proper
     */
    public function __construct(
        public string $name,
        public string $unit = '',
        public int $decimals = 0,
        public Grouping $grouping = Grouping::Sum,
        public ?Better $better = null,
        public ?string $numerator = null,
        public ?string $denominator = null,
        public ?int $band = null,
    ) {
    }

    public function isRatio(): bool
    {
        return Grouping::Ratio === $this->grouping;
    }

    /** Whether it matters how many amounts are in a sum: percentages without their parts cannot be added at all. */
    public function isCounted(): bool
    {
        return Grouping::Rate === $this->grouping;
    }

    /** Variances of percentages are told in points and have no percentage of their own. */
    public function isInPercent(): bool
    {
        return $this->isRatio() || '%' === $this->unit;
    }

    /** @return list<string> names of the measures whose amounts have to be looked up */
    public function sources(): array
    {
        return $this->isRatio() ? [(string) $this->numerator, (string) $this->denominator] : [$this->name];
    }
}

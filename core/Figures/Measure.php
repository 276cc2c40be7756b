<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** What is counted, and how its amounts are put together. A ratio is made of two other measures of the same dataset. */
final readonly class Measure
{
    public OverMembers $overMembers;

    /**
     * @param string $unit of its amounts: `EUR`, `%`, or none
     * @param non-negative-int $decimals of its amounts, as they came
     * @param Grouping $grouping over periods
     * @param ?Better $better null: nobody has said it; see better()
     * @param ?int $band from 0, where its amounts are the limits of a band; else it is a measure proper
     * @param list<KeptBands> $bands that its values are judged by
     * @param OverMembers $overMembers of a ratio and a rate their grouping says it
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
        public array $bands = [],
        OverMembers $overMembers = OverMembers::Sum,
    ) {
        $this->overMembers = match ($grouping) {
            Grouping::Ratio => OverMembers::Sum,
            Grouping::Rate => OverMembers::Never,
            default => $overMembers,
        };
    }

    public function isRatio(): bool
    {
        return Grouping::Ratio === $this->grouping;
    }

    /** Whether it matters how many amounts are in a sum. */
    public function isCounted(): bool
    {
        return OverMembers::Sum !== $this->overMembers;
    }

    /**
     * Whether a member without a figure counts as nothing, so that the variances of members add up to that of their
     * total.
     */
    public function isAddedOverMembers(): bool
    {
        return !$this->isRatio() && OverMembers::Sum === $this->overMembers;
    }

    /** Variances of percentages are told in points and have no percentage of their own. */
    public function isInPercent(): bool
    {
        return $this->isRatio() || '%' === $this->unit;
    }

    /** What was said; else what its name tells; else more. */
    public function better(): Better
    {
        return $this->better ?? (BetterByName::maybe($this->name) ?? Better::More);
    }

    /** Whether less is taken to be better because of the name alone, and nobody has said so. */
    public function isBetterGuessed(): bool
    {
        return null === $this->better && null !== BetterByName::maybe($this->name);
    }

    /** @return list<string> names of the measures whose amounts have to be looked up */
    public function sources(): array
    {
        return $this->isRatio() ? [(string) $this->numerator, (string) $this->denominator] : [$this->name];
    }
}

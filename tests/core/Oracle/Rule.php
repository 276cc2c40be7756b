<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** How a measure is put together: over periods, over members, and out of which others. */
final readonly class Rule
{
    public function __construct(
        public string $grouping = 'sum',
        public string $overMembers = 'sum',
        public string $numerator = '',
        public string $denominator = '',
        public bool $isLess = false,
    ) {}

    /** Whether a member without a figure counts as nothing. */
    public function isAdded(): bool
    {
        return !\in_array($this->grouping, ['ratio', 'rate'], true) && 'sum' === $this->overMembers;
    }

    public function isNeverOverMembers(): bool
    {
        return 'rate' === $this->grouping || ('ratio' !== $this->grouping && 'never' === $this->overMembers);
    }

    /** @return object as a recipe's `figures.measures` has it */
    public function mapping(): object
    {
        $isWhole = \in_array($this->grouping, ['ratio', 'rate'], true);

        return (object) array_filter([
            'grouping' => $this->grouping,
            'overMembers' => $isWhole ? '' : $this->overMembers,
            'numerator' => $this->numerator,
            'denominator' => $this->denominator,
            'better' => $this->isLess ? 'less' : '',
        ]);
    }
}

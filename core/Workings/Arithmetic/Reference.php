<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use KeenMargin\Core\Figures\Scenario;

/** What the shown amounts are compared with: a scenario, a member, a target. */
final readonly class Reference
{
    /**
     * @param string $key under which rows have its value and the variance against it
     * @param string $short in heads and tiers: `BU`
     * @param string $word within a sentence: `budget`
     */
    public function __construct(
        public string $key,
        public string $short,
        public string $word,
        public ?Scenario $scenario = null,
    ) {}

    public static function scenario(Scenario $scenario): self
    {
        return new self($scenario->value, $scenario->value, $scenario->word(), $scenario);
    }
}

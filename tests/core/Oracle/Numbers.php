<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/** What is said of some periods and members together. */
final readonly class Numbers
{
    /**
     * @param array<string, ?BigRational> $values
     * @param array<string, ?Pair> $variances by reference
     * @param bool $lacksPart whether one part of a capacity has no figure beside another
     * @param array<string, list<string>> $leftOut first days of periods that only one side has, by reference
     */
    public function __construct(
        public ?BigRational $shown,
        public array $values,
        public array $variances,
        public bool $lacksPart = false,
        public array $leftOut = [],
    ) {}

    public function isAbsent(): bool
    {
        return $this->lacksPart
            || [] !== array_filter($this->variances, static fn (?Pair $pair): bool => null !== $pair?->absent);
    }

    /** The same where a running total is not whole. */
    public function missing(bool $keepsValues): self
    {
        $none = static fn (): null => null;

        return new self(
            null,
            $keepsValues ? $this->values : array_map($none, $this->values),
            array_map($none, $this->variances),
        );
    }
}

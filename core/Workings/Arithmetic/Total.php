<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;

/** Several finest periods taken together. Each variance covers only those that both sides have. */
final readonly class Total
{
    /**
     * @param ?BigDecimal $shown null where there is no figure, or where adding up says nothing
     * @param array<string, ?Variance> $variances by the reference's key; null where there is none
     * @param array<string, LeftOut> $leftOut by the reference's key
     * @param array<string, ?BigDecimal> $values as rows have them
     * @param array<string, UnlikeCells> $unlike by the reference's key
     * @param BigDecimal|Fraction|null $exact what is shown before it is rounded; null where it is not a fraction
     */
    public function __construct(
        public ?BigDecimal $shown,
        public array $variances,
        public array $leftOut = [],
        public array $values = [],
        public BigDecimal|Fraction|null $exact = null,
        public array $unlike = [],
    ) {}

    /** Whether the variance against a reference covers only part of the periods, or of the members' figures. */
    public function isPart(string $reference): bool
    {
        return !($this->leftOut[$reference] ?? new LeftOut())->isEmpty()
            || !($this->unlike[$reference] ?? new UnlikeCells())->isEmpty();
    }

    /**
     * Where adding the rows up says nothing.
     *
     * @param list<Reference> $references
     */
    public static function none(array $references): self
    {
        $keys = array_map(static fn (Reference $reference): string => $reference->key, $references);

        return new self(null, array_fill_keys($keys, null));
    }
}

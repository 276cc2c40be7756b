<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Period;

/** Several finest periods taken together. Each variance covers only those that both sides have. */
final readonly class Total
{
    /**
     * @param array<string, ?Variance>    $variances by the reference's code
     * @param array<string, list<Period>> $leftOut   finest periods that only one side has, by the reference's code
     * @param array<string, ?BigDecimal>  $values    as rows have them
     */
    public function __construct(public ?BigDecimal $shown, public array $variances, public array $leftOut, public array $values = [])
    {
    }

    /**
     * Where adding the rows up says nothing.
     *
     * @param list<Reference> $references
     */
    public static function none(array $references): self
    {
        return new self(null, array_fill_keys(array_map(static fn (Reference $reference): string => $reference->key, $references), null), []);
    }
}

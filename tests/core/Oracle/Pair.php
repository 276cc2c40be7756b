<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/** The two sides of a variance; `absent` says which one has no figure and counts as nothing. */
final readonly class Pair
{
    public BigRational $difference;

    public function __construct(
        public BigRational $shown,
        public BigRational $reference,
        public ?string $absent = null,
    ) {
        $this->difference = $shown->minus($reference);
    }

    /** Null where neither side has a figure; and where one has none, unless that counts as nothing. */
    public static function maybe(?BigRational $shown, ?BigRational $reference, bool $countsAsNothing): ?self
    {
        $isMissing = $countsAsNothing ? null === $shown && null === $reference : null === $shown || null === $reference;
        $absent = null === $shown ? 'shown' : (null === $reference ? 'reference' : null);

        return $isMissing ? null : new self($shown ?? BigRational::zero(), $reference ?? BigRational::zero(), $absent);
    }
}

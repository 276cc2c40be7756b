<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

/**
 * What came of a comparison: the variance, null where there is none, and the periods and the members' figures that only
 * one side has.
 */
final readonly class Compared
{
    public function __construct(
        public ?Variance $variance,
        public LeftOut $leftOut,
        public UnlikeCells $unlike = new UnlikeCells(),
    ) {}
}

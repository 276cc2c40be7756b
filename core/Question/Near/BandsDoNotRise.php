<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Near;

use Brick\Math\BigDecimal;

/** A limit of bands is not above the one before it. */
final class BandsDoNotRise extends \DomainException
{
    public function __construct(public readonly int $place, BigDecimal $limit, BigDecimal $before)
    {
        parent::__construct(
            "Limits of bands must rise; {$limit->toString()} does not lie above {$before->toString()}.",
        );
    }
}

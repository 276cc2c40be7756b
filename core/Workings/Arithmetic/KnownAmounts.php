<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Figures\Sums;

/** Puts amounts together, and the same ones once only: a value and the side of a variance are often the same. */
final class KnownAmounts
{
    /** @var array<string, array{ScenarioPeriods, Sums, BigDecimal|BigRational|null}> holds the objects, so that their ids stay theirs */
    private array $known = [];

    public function __construct(private readonly Amounts $amounts)
    {
    }

    /** As Amounts::together(). */
    public function together(ScenarioPeriods $periods, Sums $sums): BigDecimal|BigRational|null
    {
        $key = spl_object_id($periods).' '.spl_object_id($sums);
        $this->known[$key] ??= [$periods, $sums, $this->amounts->together($periods, $sums)];

        return $this->known[$key][2];
    }
}

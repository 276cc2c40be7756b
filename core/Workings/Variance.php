<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Question\Flag;

/**
 * Shown minus reference, in the measure's unit; for percentages in points.
 */
final readonly class Variance
{
    private function __construct(
        public BigDecimal $shown,
        public BigDecimal $reference,
        public BigDecimal $amount,
        public Effect $effect,
        public bool $flagged,
        private bool $inPoints,
    ) {
    }

    /** None where either side is missing. */
    public static function maybe(?BigDecimal $shown, ?BigDecimal $reference, Better $better, Flag $flag = new Flag(), bool $inPoints = false): ?self
    {
        if (null === $shown || null === $reference) {
            return null;
        }
        $amount = $shown->minus($reference);

        return new self($shown, $reference, $amount, Effect::of($amount, $better), self::reaches($flag, $amount, $reference, $inPoints), $inPoints);
    }

    /**
     * Relative to the size of the reference, in percent; none where that is zero and for percentages.
     *
     * @param non-negative-int $decimals half away from zero
     */
    public function percent(int $decimals = Decimals::PERCENT_SCALE): ?BigDecimal
    {
        return $this->inPoints ? null : Decimals::percent($this->amount, $this->reference, $decimals);
    }

    /** Compared exactly, on products instead of quotients. For percentages the percent threshold is in points. */
    private static function reaches(Flag $flag, BigDecimal $amount, BigDecimal $reference, bool $inPoints): bool
    {
        if (!$flag->isSet() || $amount->isZero() || ($inPoints && null === $flag->percent)) {
            return false;
        }
        $size = $amount->abs();
        if (!$inPoints && null !== $flag->amount && $size->isLessThan($flag->amount)) {
            return false;
        }

        return match (true) {
            null === $flag->percent => true,
            $inPoints => $size->isGreaterThanOrEqualTo($flag->percent),
            default => !$reference->isZero() && $size->multipliedBy(100)->isGreaterThanOrEqualTo($reference->abs()->multipliedBy($flag->percent)),
        };
    }
}

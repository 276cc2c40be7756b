<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Time\Period;

/**
 * Shown minus reference, in the measure's unit; for percentages in points. Both sides are of the periods that are
 * compared, which may be fewer than the row has.
 */
final readonly class Variance
{
    /**
     * @param BigDecimal $shown rounded, where it is a fraction
     * @param BigDecimal $reference rounded, where it is a fraction
     * @param BigDecimal $amount the exact difference, rounded once
     * @param BigDecimal|Fraction $exact the difference
     * @param BigDecimal|Fraction $of the reference
     * @param ?Side $absent which side has no figure in the compared periods and counts as nothing; null: none
     * @param list<Period> $only the compared periods, where the row has others; else none
     */
    private function __construct(
        public BigDecimal $shown,
        public BigDecimal $reference,
        public BigDecimal $amount,
        public BigDecimal|Fraction $exact,
        private BigDecimal|Fraction $of,
        public Effect $effect,
        public bool $flagged,
        private bool $inPoints,
        public ?Side $absent = null,
        public array $only = [],
    ) {}

    /**
     * Null where either side is missing.
     *
     * @param list<Period> $only
     */
    public static function maybe(
        BigDecimal|Fraction|null $shown,
        BigDecimal|Fraction|null $reference,
        Better $better,
        Flag $flag = new Flag(),
        bool $inPoints = false,
        Rounding $rounding = new Rounding(),
        ?Side $absent = null,
        array $only = [],
    ): ?self {
        if (null === $shown || null === $reference) {
            return null;
        }
        $exact = self::difference($shown, $reference);
        $effect = Effect::of($exact, $better);
        $flagged = self::reaches($flag, $exact, $reference, $inPoints);

        return new self(
            shown: $rounding->of($shown),
            reference: $rounding->of($reference),
            amount: $rounding->of($exact),
            exact: $exact,
            of: $reference,
            effect: $effect,
            flagged: $flagged,
            inPoints: $inPoints,
            absent: $absent,
            only: $only,
        );
    }

    /**
     * Where one side has no figure and counts as nothing; null where neither has one.
     *
     * @param list<Period> $only
     */
    public static function maybeOrNothing(
        BigDecimal|Fraction|null $shown,
        BigDecimal|Fraction|null $reference,
        Better $better,
        Flag $flag,
        bool $inPoints,
        Rounding $rounding,
        array $only,
    ): ?self {
        if (null === $shown && null === $reference) {
            return null;
        }
        $absent = null === $shown ? Side::Shown : (null === $reference ? Side::Reference : null);
        $nothing = BigDecimal::zero();

        return self::maybe(
            shown: $shown ?? $nothing,
            reference: $reference ?? $nothing,
            better: $better,
            flag: $flag,
            inPoints: $inPoints,
            rounding: $rounding,
            absent: $absent,
            only: $only,
        );
    }

    /**
     * Relative to the size of the reference, in percent, from the exact numbers; null where the reference is zero and
     * for percentages.
     *
     * @param non-negative-int $decimals half away from zero
     */
    public function percent(int $decimals = Decimals::PERCENT_SCALE): ?BigDecimal
    {
        if ($this->inPoints || $this->of->isZero()) {
            return null;
        }
        if ($this->exact instanceof BigDecimal && $this->of instanceof BigDecimal) {
            return Decimals::percent($this->exact, $this->of, $decimals);
        }

        return Fraction::from($this->exact)->percentOf($this->of, $decimals);
    }

    private static function difference(
        BigDecimal|Fraction $shown,
        BigDecimal|Fraction $reference,
    ): BigDecimal|Fraction {
        return $shown instanceof BigDecimal && $reference instanceof BigDecimal
            ? $shown->minus($reference)
            : Fraction::from($shown)->minus($reference);
    }

    /** Compared exactly, on products instead of quotients. For percentages the percent threshold is in points. */
    private static function reaches(
        Flag $flag,
        BigDecimal|Fraction $amount,
        BigDecimal|Fraction $reference,
        bool $inPoints,
    ): bool {
        if (!$flag->isSet() || $amount->isZero() || ($inPoints && null === $flag->percent)) {
            return false;
        }
        $size = $amount->abs();
        if (!$inPoints && null !== $flag->amount && !self::isAtLeast($size, $flag->amount)) {
            return false;
        }

        return match (true) {
            null === $flag->percent => true,
            $inPoints => self::isAtLeast($size, $flag->percent),
            default => self::isShare($size, $reference->abs(), $flag->percent),
        };
    }

    private static function isAtLeast(BigDecimal|Fraction $size, BigDecimal $least): bool
    {
        return $size instanceof BigDecimal ? Decimals::compare($size, $least) >= 0 : $size->compareTo($least) >= 0;
    }

    /** Whether the amount is at least so many percent of the reference's size; never of nought. */
    private static function isShare(BigDecimal|Fraction $size, BigDecimal|Fraction $of, BigDecimal $percent): bool
    {
        if ($of->isZero()) {
            return false;
        }
        if ($size instanceof BigDecimal && $of instanceof BigDecimal) {
            return Decimals::isShare($size, $of, $percent);
        }

        return Fraction::from($size)->multipliedBy(100)->compareTo(Fraction::from($of)->multipliedBy($percent)) >= 0;
    }
}

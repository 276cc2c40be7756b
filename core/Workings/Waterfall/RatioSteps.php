<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Workings\Arithmetic\Variance;

/**
 * By how many points each member moves a ratio: N1i ÷ D1 − N0i ÷ D0 − R0 × (D1i ÷ D1 − D0i ÷ D0). A member that only
 * becomes larger at the average ratio moves nothing; all of them together move R1 − R0.
 */
final readonly class RatioSteps
{
    /**
     * @param Sums $first of all members
     * @param Sums $second of all members
     */
    public function __construct(
        private WaterfallScope $of,
        private Leg $leg,
        private Sums $first,
        private Sums $second,
    ) {}

    /** Null where the member has no figure on either side, or there is no ratio on one of them. */
    public function maybe(Sums $first, Sums $second): ?Variance
    {
        [$numerator, $denominator] = $this->of->measure->sources();
        [$starts, $ends] = [$this->leg->first->periods->starts, $this->leg->second->periods->starts];
        $all = [
            $this->first->added($numerator, $starts),
            $this->first->added($denominator, $starts),
            $this->second->added($denominator, $ends),
        ];
        $hasAny =
            $first->hasAny($numerator, $starts)
            || $first->hasAny($denominator, $starts)
            || $second->hasAny($numerator, $ends)
            || $second->hasAny($denominator, $ends);
        if (!$hasAny || null === $all[0] || null === $all[1] || null === $all[2]) {
            return null;
        }
        if ($all[1]->isZero() || $all[2]->isZero()) {
            return null;
        }
        $part = static fn (?BigDecimal $of, BigDecimal $whole): Fraction => Fraction::of(
            ($of ?? BigDecimal::zero())->multipliedBy(100),
            $whole,
        );
        $share = $part($second->added($denominator, $ends), $all[2])->minus(
            $part($first->added($denominator, $starts), $all[1]),
        );
        // R0 × the change of the share, as one fraction.
        $bySize = Fraction::of($share->numerator->multipliedBy($all[0]), $share->denominator->multipliedBy($all[1]));
        $change = $part($second->added($numerator, $ends), $all[2])
            ->minus($part($first->added($numerator, $starts), $all[1]))
            ->minus($bySize);

        return Variance::maybe(
            shown: $change,
            reference: BigDecimal::zero(),
            better: $this->of->better,
            flag: $this->of->scope->question->flag,
            inPoints: true,
            rounding: $this->of->rounding(),
        );
    }
}

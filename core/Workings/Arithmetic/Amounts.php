<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Time\Period;

/**
 * Puts the amounts of several periods and members together, exactly, by the two rules of a measure.
 * What sums are of which members is decided elsewhere: here they are given.
 */
final readonly class Amounts
{
    /** @var \WeakMap<Sums, array<string, array<int, true>>> units that have figures, by source and scenario */
    private \WeakMap $units;

    public function __construct(private Measure $measure, private MeasureCoverage $coverage)
    {
        $this->units = new \WeakMap();
    }

    /**
     * The amount of all periods together.
     *
     * @return BigDecimal|Fraction|null a fraction of averages and ratios; null where there is none: no figure at all, a
     *                                  ratio whose denominator is zero, or what is never put together
     */
    public function together(ScenarioPeriods $periods, Sums $sums): BigDecimal|Fraction|null
    {
        return match (true) {
            $this->measure->isRatio() => $this->ratio($periods, $sums),
            OverMembers::Sum === $this->measure->overMembers => $this->added($periods, $sums),
            OverMembers::Average === $this->measure->overMembers => $this->averaged($periods, $sums),
            default => $this->single($periods, $sums),
        };
    }

    /**
     * What an amount changes by from one side to another. A side without a figure has nothing where the measure is
     * added up over members; of others both must have one.
     *
     * @return BigDecimal|Fraction|null null where there is no figure to compare
     */
    public function change(
        ScenarioPeriods $first,
        Sums $before,
        ScenarioPeriods $second,
        Sums $after,
    ): BigDecimal|Fraction|null {
        $isAdded = $this->measure->isAddedOverMembers();
        if ($isAdded && Grouping::Sum === $this->measure->grouping && !$first->hasShares() && !$second->hasShares()) {
            $name = $this->measure->name;
            $from = $before->together($name, $first->starts);
            $to = $after->together($name, $second->starts);
            // Machine integers are several times faster, which counts for thousands of members.
            $difference = \is_int($to ?? 0) && \is_int($from ?? 0) ? ($to ?? 0) - ($from ?? 0) : null;
            if (null === $from && null === $to) {
                return null;
            }
            if (\is_int($difference)) {
                $decimals = max($before->decimals($name), $after->decimals($name));

                return BigDecimal::ofUnscaledValue($difference, $decimals);
            }
        }
        $from = $this->together($first, $before);
        $to = $this->together($second, $after);
        if ($isAdded ? null === $from && null === $to : null === $from || null === $to) {
            return null;
        }
        $nothing = BigDecimal::zero();

        return $from instanceof Fraction || $to instanceof Fraction
            ? Fraction::from($to ?? $nothing)->minus($from ?? $nothing)
            : ($to ?? $nothing)->minus($from ?? $nothing);
    }

    /** Fractions are written with six decimals of a ratio, and of an average with six more than the measure has. */
    public function rounding(): Rounding
    {
        return $this->measure->isRatio()
            ? new Rounding()
            : new Rounding($this->measure->decimals + Decimals::RATE_SCALE, true);
    }

    /**
     * Whether these sums have a figure of the period, which matters where a missing one does not count as nothing. Days
     * are judged by their month.
     */
    public function has(Scenario $scenario, Period $fine, Sums $sums): bool
    {
        foreach ($this->coverage->judgedBy($scenario, $fine) as $at) {
            if ($this->hasAll($at, $sums)) {
                return true;
            }
        }

        return false;
    }

    private function hasAll(ScenarioPeriod $at, Sums $sums): bool
    {
        $unit = $this->coverage->unit($at->start);
        foreach ($this->measure->sources() as $source) {
            if (!isset($this->unitsOf($sums, $source, $at->scenario)[$unit])) {
                return false;
            }
        }

        return true;
    }

    /** @return array<int, true> */
    private function unitsOf(Sums $sums, string $source, string $scenario): array
    {
        $known = $this->units[$sums] ?? [];
        $key = "$scenario $source";
        if (!isset($known[$key])) {
            $units = array_map($this->coverage->unit(...), $sums->starts($source, Scenario::from($scenario)));
            $known[$key] = array_fill_keys($units, true);
            $this->units[$sums] = $known;
        }

        return $known[$key];
    }

    /** Added up over members: whoever has no figure in a period has nothing there. */
    private function added(ScenarioPeriods $periods, Sums $sums): BigDecimal|Fraction|null
    {
        if (Grouping::Last === $this->measure->grouping) {
            return null === $periods->last ? null : $sums->at($this->measure->name, $periods->last);
        }
        $sum = $periods->added($sums, $this->measure->name);
        if (null === $sum || Grouping::Average !== $this->measure->grouping) {
            return $sum;
        }

        return $sum instanceof Fraction ? $sum : self::fraction($sum, $periods->figured);
    }

    /** The mean over members. Over periods as well: each figure counts once. */
    private function averaged(ScenarioPeriods $periods, Sums $sums): BigDecimal|Fraction|null
    {
        $name = $this->measure->name;
        $all = $means = [];
        $count = 0;
        foreach ($periods->kept as $at) {
            $amount = $sums->at($name, $at);
            if (null !== $amount) {
                $all[] = $amount;
                $count += $sums->countAt($name, $at);
                $means[] = self::fraction($amount, $sums->countAt($name, $at));
            }
        }
        if ([] === $all) {
            return null;
        }

        return match ($this->measure->grouping) {
            Grouping::Average => self::fraction(Decimals::sum($all), $count),
            Grouping::Last => $means[\count($means) - 1],
            default => array_reduce(
                $means,
                static fn (Fraction $sum, BigDecimal|Fraction $mean): Fraction => $sum->plus($mean),
                Fraction::from(BigDecimal::zero()),
            ),
        };
    }

    /** Of one member only: null as soon as a period has the amounts of several. */
    private function single(ScenarioPeriods $periods, Sums $sums): BigDecimal|Fraction|null
    {
        $all = [];
        foreach ($periods->kept as $at) {
            $amount = $sums->at($this->measure->name, $at);
            if (null === $amount) {
                continue;
            }
            if ($sums->countAt($this->measure->name, $at) > 1) {
                return null;
            }
            $all[] = $amount;
        }
        $isNever = Grouping::Rate === $this->measure->grouping && \count($all) > 1;

        return match (true) {
            [] === $all, $isNever => null,
            Grouping::Average === $this->measure->grouping => self::fraction(Decimals::sum($all), \count($all)),
            Grouping::Sum === $this->measure->grouping => Decimals::sum($all),
            default => $all[\count($all) - 1],
        };
    }

    /** Numerator over denominator, in percent. */
    private function ratio(ScenarioPeriods $periods, Sums $sums): ?Fraction
    {
        [$numerator, $denominator] = $this->measure->sources();
        $part = $periods->added($sums, $numerator);
        $whole = $periods->added($sums, $denominator);
        if (null === $part || null === $whole || $whole->isZero()) {
            return null;
        }
        [$part, $whole] = [Fraction::from($part), Fraction::from($whole)];

        return Fraction::of(
            $part->numerator->multipliedBy($whole->denominator)->multipliedBy(100),
            $part->denominator->multipliedBy($whole->numerator),
        );
    }

    private static function fraction(BigDecimal $sum, int $count): BigDecimal|Fraction
    {
        return 1 === $count ? $sum : Fraction::of($sum, BigDecimal::of($count));
    }
}

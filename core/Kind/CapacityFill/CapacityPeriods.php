<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;

/**
 * Which finest periods of a capacity are put together: those in which all its parts are covered; among them, for the
 * targets, those that the reference covers, too.
 */
final class CapacityPeriods
{
    /** @var \WeakMap<FinePeriods, array<string, FinePeriods>> by what they are for */
    private \WeakMap $known;
    /** @var array<int, bool> whether what is shown covers all parts, by the period's start */
    private array $areShown = [];

    /**
     * @param array<string, ComparisonRows> $parts two or three of `used`, `unused`, `total`
     * @param ?Scenario $reference whose figures are the target
     */
    public function __construct(private readonly array $parts, private readonly ?Scenario $reference)
    {
        $this->known = new \WeakMap();
    }

    /**
     * In which what is shown covers all parts: a rate of what is used in three months to the room of two would be none.
     */
    public function shown(FinePeriods $fine): FinePeriods
    {
        return $this->kept($fine, 'shown', fn (Period $period): bool => $this->showsAll($period));
    }

    /** Among the shown ones those for which the reference has a figure of what is used. */
    public function withTargetOfUsed(FinePeriods $fine): FinePeriods
    {
        return $this->kept(
            $fine,
            'used',
            fn (Period $period): bool => $this->showsAll($period) && $this->targets($this->makeUsed(), $period),
        );
    }

    /** Among the shown ones those for which the reference has a figure of the total. */
    public function withTargetOfTotal(FinePeriods $fine): FinePeriods
    {
        return $this->kept(
            $fine,
            'total',
            fn (Period $period): bool => $this->showsAll($period) && $this->targets($this->makeTotal(), $period),
        );
    }

    /** Among the shown ones those for which the reference has both. */
    public function withTargetOfBoth(FinePeriods $fine): FinePeriods
    {
        $all = [...$this->makeUsed(), ...$this->makeTotal()];

        return $this->kept(
            $fine,
            'both',
            fn (Period $period): bool => $this->showsAll($period) && $this->targets($all, $period),
        );
    }

    /** In which what is shown covers some parts, and not all. */
    public function partly(FinePeriods $fine): FinePeriods
    {
        $shows = static fn (Period $period, ComparisonRows $rows): bool => $rows->comparison->shows($period);

        return $fine->only(
            fn (Period $period): bool => !$this->showsAll($period)
                && [] !== array_filter($this->parts, static fn (ComparisonRows $rows): bool => $shows($period, $rows)),
        );
    }

    /** @param callable(Period): bool $keeps */
    private function kept(FinePeriods $fine, string $what, callable $keeps): FinePeriods
    {
        $known = $this->known[$fine] ?? [];
        $known[$what] ??= $fine->only($keeps);
        $this->known[$fine] = $known;

        return $known[$what];
    }

    private function showsAll(Period $period): bool
    {
        return $this->areShown[$period->start] ??= $this->areAllShown($period);
    }

    private function areAllShown(Period $period): bool
    {
        foreach ($this->parts as $rows) {
            if (!$rows->comparison->shows($period)) {
                return false;
            }
        }

        return true;
    }

    /** @param list<string> $parts that the reference has to cover */
    private function targets(array $parts, Period $period): bool
    {
        foreach ($parts as $part) {
            $comparison = $this->parts[$part]->comparison;
            if (null === $this->reference || !$comparison->compares($this->reference, $period)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> the parts that tell what is used: itself, or the other two */
    private function makeUsed(): array
    {
        return isset($this->parts['used']) ? ['used'] : ['unused', 'total'];
    }

    /** @return list<string> */
    private function makeTotal(): array
    {
        return isset($this->parts['total']) ? ['total'] : ['used', 'unused'];
    }
}

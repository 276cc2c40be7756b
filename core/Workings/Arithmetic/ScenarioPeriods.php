<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\ScenarioPeriod;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;

/** Finest periods, each of one scenario, whose amounts are put together: of what is shown, or of a reference. */
final class ScenarioPeriods
{
    /** @var list<ScenarioPeriod> where the amounts are kept, in calendar order */
    public array $kept = [];
    /** @var array<string, list<int>> the same as starts of periods, by scenario code */
    public array $starts = [];
    /** How many periods were added. */
    public int $periods = 0;
    /** How many of them the whole dataset has a figure of; what an average over periods is divided by. */
    public int $figured = 0;
    /** The last one that the whole dataset has a figure of; null where there is none. */
    public ?ScenarioPeriod $last = null;
    /**
     * @var array<string, array{ScenarioPeriod, int, int}> amounts of which a part is taken: how many parts, of how many
     */
    private array $shares = [];

    public function add(KeptPeriod $period): void
    {
        ++$this->periods;
        if ($period->shareOf > 1) {
            $this->addShare($period->places[0], $period->shareOf);

            return;
        }
        foreach ($period->places as $at) {
            $this->kept[] = $at;
            $this->starts[$at->scenario][] = $at->start;
        }
        foreach ($period->figured as $at) {
            ++$this->figured;
            $this->last = $at;
        }
    }

    private function addShare(ScenarioPeriod $at, int $of): void
    {
        $key = "$at->scenario $at->start";
        $parts = ($this->shares[$key][1] ?? 0) + 1;
        $this->shares[$key] = [$at, $parts, $of];
    }

    /** Whether parts of amounts are among them. */
    public function hasShares(): bool
    {
        return [] !== $this->shares;
    }

    /** Whether any of them has an amount. */
    public function areFiguredIn(Sums $sums, string $source): bool
    {
        if ($sums->hasAny($source, $this->starts)) {
            return true;
        }
        foreach ($this->shares as [$at]) {
            if (null !== $sums->at($source, $at)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The sum of the amounts; a fraction where parts are taken.
     *
     * @return BigDecimal|Fraction|null null where there is none
     */
    public function added(Sums $sums, string $source): BigDecimal|Fraction|null
    {
        $sum = $sums->added($source, $this->starts);
        foreach ($this->shares as [$at, $parts, $of]) {
            $whole = $sums->at($source, $at);
            if (null !== $whole) {
                $part = Fraction::of($whole->multipliedBy($parts), BigDecimal::of($of));
                $sum = null === $sum ? $part : $part->plus($sum);
            }
        }

        return $sum;
    }
}

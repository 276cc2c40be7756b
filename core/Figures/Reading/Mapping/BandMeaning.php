<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use Brick\Math\BigDecimal;

/** What the numbers in the columns of bands mean. */
enum BandMeaning: string
{
    /** The upper ends themselves: 60, 75, 90, 100. */
    case Limits = 'limits';
    /** The widths, one on top of the other: 60, 15, 15, 10. */
    case Increments = 'increments';
    /** Upper ends in percent of the item's target: 75 %, 90 %. */
    case PercentOfTarget = 'percent of target';

    /**
     * @param list<BigDecimal> $numbers as they stand in the row
     *
     * @return list<BigDecimal>|null upper ends; none where there is no target to take percents of
     */
    public function maybeLimits(array $numbers, ?BigDecimal $target): ?array
    {
        if (null === $target) {
            if (self::PercentOfTarget === $this) {
                return null;
            }
            $target = BigDecimal::zero();
        }
        $limits = [];
        $last = BigDecimal::zero();
        foreach ($numbers as $number) {
            $last = match ($this) {
                self::Limits => $number,
                self::Increments => $last->plus($number),
                self::PercentOfTarget => $number
                    ->multipliedBy($target)
                    ->withPointMovedLeft(2)
                    ->strippedOfTrailingZeros(),
            };
            $limits[] = $last;
        }

        return $limits;
    }

    /** @param list<BigDecimal> $limits */
    public static function rise(array $limits): bool
    {
        for ($i = 1; $i < \count($limits); ++$i) {
            if (!$limits[$i]->isGreaterThan($limits[$i - 1])) {
                return false;
            }
        }

        return true;
    }
}

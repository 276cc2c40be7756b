<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Waterfall\Drivers;

/** Recognises measures that drive a value, by what they are: a ratio of two, or a count beside an amount of money. */
final class DriverGuess
{
    /** Null where the figures have none. */
    public static function maybe(Dataset $dataset): ?Drivers
    {
        foreach ($dataset->measures as $measure) {
            if ($measure->isRatio()) {
                return new Drivers((string) $measure->denominator, (string) $measure->numerator);
            }
        }
        $added = array_values(array_filter($dataset->measures, self::isAdded(...)));
        $counts = array_values(array_filter($added, static fn (Measure $one): bool => '' === $one->unit));
        $amounts = array_values(array_filter($added, static fn (Measure $one): bool => '' !== $one->unit));

        return [] === $counts || [] === $amounts ? null : new Drivers($counts[0]->name, $amounts[0]->name);
    }

    public static function isAdded(Measure $measure): bool
    {
        return Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers() && null === $measure->band;
    }
}

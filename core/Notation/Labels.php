<?php

declare(strict_types=1);

namespace KeenMargin\Core\Notation;

use KeenMargin\Core\Figures\Scenario;

/** How numbers are called in charts. */
final class Labels
{
    public static function variance(Scenario $reference): string
    {
        return "\u{0394}".$reference->value;
    }

    public static function relative(Scenario $reference): string
    {
        return self::variance($reference).' %';
    }
}

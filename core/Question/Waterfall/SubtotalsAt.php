<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

use KeenMargin\Core\Time\Grain;

/** Where subtotals of a waterfall stand by a rule. */
enum SubtotalsAt: string
{
    case Quarter = 'quarter';
    case HalfYear = 'half-year';
    case Year = 'year';
    /** after the last member of each group */
    case Group = 'group';

    /** Null: not at ends of periods. */
    public function grain(): ?Grain
    {
        return match ($this) {
            self::Quarter => Grain::Quarter,
            self::HalfYear => Grain::HalfYear,
            self::Year => Grain::Year,
            self::Group => null,
        };
    }
}

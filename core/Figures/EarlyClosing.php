<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\CivilDate;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Books of figures by day that are closed through a month whose actuals end before its last few days. */
final class EarlyClosing
{
    public static function is(Period $lastActual, Period $closing): bool
    {
        if (Grain::Day !== $lastActual->grain || !Dataset::isWithinMonth($lastActual)) {
            return false;
        }
        $month = $lastActual->group(Grain::Month, new FiscalCalendar());

        return $closing->lastDay() === $month->lastDay();
    }

    /** `January has actuals to the 10th only` */
    public static function text(Period $lastActual): string
    {
        [$year, $number, $day] = CivilDate::parts($lastActual->start);
        $month = PeriodNames::spelledOut(Period::month($year, $number));

        return "$month has actuals to the ".Wording::nth($day).' only';
    }
}

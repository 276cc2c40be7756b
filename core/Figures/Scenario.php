<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** What a figure stands for. The codes are those of the open notation standard. */
enum Scenario: string
{
    case Actual = 'AC';
    case Budget = 'BU';
    case Forecast = 'FC';
    case Target = 'TG';
    case PriorYear = 'PY';

    /** `budget`, as it stands within a sentence */
    public function word(): string
    {
        return match ($this) {
            self::Actual => 'actual',
            self::Budget => 'budget',
            self::Forecast => 'forecast',
            self::Target => 'target',
            self::PriorYear => 'prior year',
        };
    }
}

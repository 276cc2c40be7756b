<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** What each period shows besides its own amount: that of the periods before it too. */
enum Cumulation: string
{
    /** from the start of the period's fiscal year */
    case YearToDate = 'year to date';
    /** the last twelve months */
    case Moving = 'moving';

    /** as it stands after the grain in a sentence */
    public function words(): string
    {
        return self::YearToDate === $this ? 'year to date' : 'over the last 12 months';
    }
}

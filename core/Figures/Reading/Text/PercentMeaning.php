<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/** What plain numbers mean that stand in a column beside percentages: `0.5` beside `12 %`. */
enum PercentMeaning: string
{
    /** 0.5 is 0.5 % */
    case Points = 'points';
    /** 0.5 is 50 % */
    case Fractions = 'fractions';
}

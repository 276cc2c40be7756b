<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Comparing;

/** What differs between two states of a report. */
enum DifferenceKind: string
{
    /** a sum that moved on with the closing period */
    case Number = 'number';
    /** a number of a time that both states have closed */
    case Restated = 'restated';
    /** what a chart asks, or how it is drawn */
    case Question = 'question';
    /** the unit of its amounts, or whether more of them is better */
    case Measure = 'measure';
    /** its title or its own message */
    case Title = 'title';
    case Message = 'message';
    case Text = 'text';
    case Note = 'note';
    case Chart = 'chart';
    case Page = 'page';
}

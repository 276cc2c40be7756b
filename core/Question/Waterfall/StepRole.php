<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Waterfall;

/** What a row of a list does in a waterfall. */
enum StepRole: string
{
    case Start = 'start';
    case Step = 'step';
    case Subtotal = 'subtotal';
    case End = 'end';
}

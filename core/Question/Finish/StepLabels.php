<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

/** What is written at a waterfall's steps. */
enum StepLabels: string
{
    case Amount = 'amount';
    /** in percent: of the grand total, or of all steps of the same sign */
    case Share = 'share';
    case Both = 'both';
}

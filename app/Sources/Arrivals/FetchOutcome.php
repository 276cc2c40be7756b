<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

/** What came of a fetch. */
enum FetchOutcome: string
{
    /** It said something new, which came in by itself. */
    case Taken = 'taken';
    /** It said something new, which waits to be decided. */
    case Waits = 'waits';
    case NothingNew = 'nothing new';
    case Failed = 'failed';
    /** It is being fetched by somebody else, or is not due any more. */
    case NotNow = 'not now';
}

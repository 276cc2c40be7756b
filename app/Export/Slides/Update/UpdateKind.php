<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

/** What an update does with something in a deck; what has to be looked at comes first. */
enum UpdateKind: string
{
    /** a sentence that was edited by hand says a number that is another now */
    case Stale = 'stale';
    /** it stays as the hand left it */
    case Kept = 'kept';
    case Gone = 'gone';
    case New = 'new';
    /** it has the numbers of now */
    case Changed = 'changed';
}

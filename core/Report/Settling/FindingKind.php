<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Settling;

/** What has to be settled before a report goes out. */
enum FindingKind: string
{
    /** a number of a text has changed since it was written */
    case Stale = 'stale';
    /** a check of a chart does not hold */
    case Check = 'check';
    /** a chart or key figure cannot be drawn */
    case Trouble = 'trouble';
    /** figures of the closing period have not come in */
    case Missing = 'missing';
    /** nothing stands in a block, or on a page */
    case Empty = 'empty';
    /** more stands on a page than it has room for */
    case Full = 'full';
    /** datasets are closed through different periods */
    case Closing = 'closing';
}

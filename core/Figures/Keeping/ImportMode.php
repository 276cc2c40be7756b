<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/** What becomes of the figures that a dataset has already when a file comes in. */
enum ImportMode: string
{
    /** New figures are added, those with the same key replaced, all others kept. */
    case Add = 'add';
    /**
     * Besides, what the dataset has for the file's measures, scenarios and periods and the file has not, is removed.
     */
    case ReplacePeriods = 'replace periods';
    /** The dataset holds afterwards what the file holds. */
    case ReplaceAll = 'replace all';
}

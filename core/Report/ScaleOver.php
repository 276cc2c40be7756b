<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

/** Which charts that count the same have one length per unit. */
enum ScaleOver: string
{
    /** those of a page */
    case Page = 'one';
    /** those of all pages of the report that say so */
    case Report = 'report';
    /** none: each chart has its own */
    case None = 'own';
}

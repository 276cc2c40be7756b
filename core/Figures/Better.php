<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** Whether more or less of a measure is good: `more` for revenue, `less` for fuel cost. */
enum Better: string
{
    case More = 'more';
    case Less = 'less';
}

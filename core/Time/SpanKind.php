<?php

declare(strict_types=1);

namespace KeenMargin\Core\Time;

enum SpanKind: string
{
    case All = 'all';
    case Between = 'between';
    /** `{"last": 3, "unit": "month"}` */
    case Last = 'last';
    /** `{"previous": 1, "unit": "year"}` */
    case Previous = 'previous';
    case YearToDate = 'year to date';
    case RestOfYear = 'rest of year';
}

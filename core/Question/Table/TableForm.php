<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Table;

/** How a column of a comparison table is drawn. */
enum TableForm: string
{
    case Number = 'number';
    case Bar = 'bar';
    case Pin = 'pin';
    case Progress = 'progress';
    case Line = 'line';
}

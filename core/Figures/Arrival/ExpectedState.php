<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

/** How it stands with figures that a month waits for. */
enum ExpectedState: string
{
    case Came = 'came';
    case Late = 'late';
    case Expected = 'expected';
    case NotComing = 'does not come';
}

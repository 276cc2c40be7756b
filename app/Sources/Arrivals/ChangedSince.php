<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

/** The dataset was changed between the comparison and the turn to write. */
final class ChangedSince extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('The dataset was changed again and again while this came in. It is tried again.');
    }
}

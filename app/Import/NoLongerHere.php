<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

/** A file that was handed in lay on the shelf and is gone: brought in, dropped, or too old. */
final class NoLongerHere extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('This file is no longer here. Choose it again.');
    }
}

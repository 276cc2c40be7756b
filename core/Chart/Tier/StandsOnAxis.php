<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use KeenMargin\Core\Scene\Scale;

/** The tier that amounts stand on: its marks are named beside it, so that it has no name itself. */
trait StandsOnAxis
{
    public function unit(): Scale
    {
        return Scale::Amount;
    }

    public function name(): string
    {
        return '';
    }
}

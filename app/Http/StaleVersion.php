<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

/** A write that is based on an older state than the present one. */
final class StaleVersion extends \RuntimeException
{
    /** @param array<string, mixed>|object $current state, for whoever has to put the change on top of it */
    public function __construct(public readonly array|object $current)
    {
        parent::__construct('Somebody changed this after you loaded it. Look at their change, then put yours on top.');
    }
}

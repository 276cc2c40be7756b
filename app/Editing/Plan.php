<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;

/** A change that is ready to be done, and what depends on it. */
final readonly class Plan
{
    /**
     * @param list<string> $follows what changes with it, as sentences
     * @param bool $isHarmful whether numbers or charts come out otherwise, so that it is worth a look before
     */
    public function __construct(public Change $change, public array $follows = [], public bool $isHarmful = false)
    {
    }
}

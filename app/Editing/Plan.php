<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use KeenMargin\App\Storage\Changes\Change;

/** What somebody asked for as a change that is not done yet, and what would follow from it. */
final readonly class Plan
{
    /**
     * @param list<string> $follows what changes with it, as sentences
     * @param bool $isHarmful whether numbers or charts come out otherwise, so that it is worth a look before
     */
    public function __construct(public Change $change, public array $follows = [], public bool $isHarmful = false) {}
}

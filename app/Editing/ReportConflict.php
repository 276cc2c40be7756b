<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

/** Two people changed the same part of a report, each in their own way. */
final class ReportConflict extends \RuntimeException
{
    /** @param list<string> $paths of what both changed; none: the version that one began with is not kept any more */
    public function __construct(public readonly array $paths)
    {
        parent::__construct(
            'Somebody changed the same part of this report after you loaded it. Look at theirs, then put yours on top.',
        );
    }
}

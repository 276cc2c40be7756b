<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

/** Two people changed the same part of a report, each in their own way. */
final class ReportConflict extends \RuntimeException
{
    /**
     * @param list<string> $paths of what both changed; none: the version that one began with is not kept any more
     * @param string $why what is not possible together; blank: both changed the same
     */
    public function __construct(public readonly array $paths, string $why = '')
    {
        parent::__construct(trim(
            "$why Somebody changed the same part of this report after you loaded it. Look at theirs, then put ".
                'yours on top.',
        ));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report;

/** Something to settle that somebody leaves as it is. */
final readonly class Acceptance
{
    /**
     * @param string $finding its key; it changes as soon as the finding says something else
     * @param string $at moment, as ISO 8601
     */
    public function __construct(
        public string $finding,
        public string $reason,
        public string $who = '',
        public string $at = '',
    ) {}
}

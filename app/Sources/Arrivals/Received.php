<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

/** What became of something that was fetched. */
final readonly class Received
{
    public function __construct(public FetchOutcome $outcome, public string $says) {}
}

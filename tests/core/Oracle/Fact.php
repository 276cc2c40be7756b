<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** One amount as it stands in a file. */
final readonly class Fact
{
    /**
     * @param string $start first day of its period
     * @param array<string, string> $members by breakdown
     */
    public function __construct(
        public string $measure,
        public string $scenario,
        public string $start,
        public array $members,
        public string $amount,
    ) {}
}

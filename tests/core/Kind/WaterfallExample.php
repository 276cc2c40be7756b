<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use KeenMargin\Core\Figures\LineRole;

/** A waterfall that was worked out by hand: figures, question, and what each row must be. */
final readonly class WaterfallExample
{
    /**
     * @param string $csv figures
     * @param array<string, mixed> $question as recipes have it
     * @param list<string> $rows `key role from to`, in the order of the chart
     * @param list<string> $fails ids of the checks that must not hold; all others must
     * @param array<string, mixed> $mapping
     * @param array<string, LineRole> $lines what members of Line do
     * @param array<string, string> $groups of members of Line
     */
    public function __construct(
        public string $kind,
        public string $csv,
        public array $question,
        public array $rows,
        public array $fails = [],
        public array $mapping = [],
        public array $lines = [],
        public array $groups = [],
    ) {}
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** The measures of how full something is: two of the three at least; the third is what the others leave. */
final readonly class Capacity
{
    public function __construct(public ?string $used, public ?string $unused, public ?string $total) {}

    /** @return array<string, string> measures by the part that they are, those that are told */
    public function told(): array
    {
        return array_filter(
            ['used' => $this->used, 'unused' => $this->unused, 'total' => $this->total],
            static fn (?string $measure): bool => null !== $measure,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Month;

/** One time that a month was closed. */
final readonly class MonthClosing
{
    /**
     * @param string $at as ISO 8601
     * @param ?string $undoneAt null: it was not undone
     * @param array<int, array{string|null, string|null}> $moved what was closed before and after, by dataset
     */
    public function __construct(
        public int $id,
        public string $period,
        public string $at,
        public string $who,
        public ?string $undoneAt,
        public array $moved,
    ) {}
}

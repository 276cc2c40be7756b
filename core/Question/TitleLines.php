<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** Lines of the title that the reader wrote; those left out are composed from the question. */
final readonly class TitleLines
{
    public function __construct(public ?string $who = null, public ?string $what = null, public ?string $when = null) {}

    /** @return array<string, string> */
    public function told(): array
    {
        return array_filter(
            ['who' => $this->who, 'what' => $this->what, 'when' => $this->when],
            static fn (?string $line): bool => null !== $line,
        );
    }
}

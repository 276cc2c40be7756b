<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

use KeenMargin\Core\Document\Shape\Key;

/** Lines of the title that the reader wrote; those left out are composed from the question. */
final readonly class TitleLines
{
    public function __construct(
        #[Key('whose figures', most: 300)] public ?string $who = null,
        #[Key('what is measured', most: 300)] public ?string $what = null,
        #[Key('which periods', most: 300)] public ?string $when = null,
    ) {}

    /** @return array<string, string> */
    public function told(): array
    {
        return array_filter(
            ['who' => $this->who, 'what' => $this->what, 'when' => $this->when],
            static fn (?string $line): bool => null !== $line,
        );
    }
}

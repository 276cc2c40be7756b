<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use KeenMargin\Core\Question\Names\AnyName;

/** Numbers of what a copy is made of, in place of those of its original. */
final readonly class CopiedNumbers extends AnyName
{
    /** @param array<string, array<int, int>> $new numbers of the copy by those of the original, by kind */
    public function __construct(private array $new) {}

    protected function name(string $name): string
    {
        $reference = NumberedName::maybe($name);
        $new = null === $reference ? null : $this->new[$reference->kind->value][$reference->id] ?? null;

        return null === $reference || null === $new ? $name : (new NumberedName($reference->kind, $new))->written();
    }
}

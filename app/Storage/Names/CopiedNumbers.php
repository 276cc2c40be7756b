<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use KeenMargin\Core\Question\Names\NameMap;

/** Numbers of what a copy is made of, in place of those of its original. */
final readonly class CopiedNumbers implements NameMap
{
    /** @param array<string, array<int, int>> $new numbers of the copy by those of the original, by kind */
    public function __construct(private array $new)
    {
    }

    public function measure(string $name): string
    {
        return $this->copied($name);
    }

    public function breakdown(string $name): string
    {
        return $this->copied($name);
    }

    public function field(string $name): string
    {
        return $this->copied($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        return $this->copied($name);
    }

    private function copied(string $kept): string
    {
        $reference = Reference::maybe($kept);
        $new = null === $reference ? null : $this->new[$reference->kind->value][$reference->id] ?? null;

        return null === $reference || null === $new ? $kept : (new Reference($reference->kind, $new))->written();
    }
}

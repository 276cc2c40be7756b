<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

final readonly class Group implements Mark
{
    /** @param list<Mark> $marks from back to front */
    public function __construct(public array $marks, public string $role = '', public ?string $key = null) {}

    public function toArray(): array
    {
        return array_filter(
            [
                'type' => 'group',
                'role' => $this->role,
                'key' => $this->key,
                'marks' => array_map(static fn (Mark $mark): array => $mark->toArray(), $this->marks),
            ],
            static fn (mixed $value): bool => null !== $value && '' !== $value,
        );
    }
}

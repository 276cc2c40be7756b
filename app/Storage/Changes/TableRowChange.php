<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

/** One row of one table changed: what its columns held before, and what they hold after. */
final readonly class TableRowChange
{
    /** Tables whose rows changes may touch, and their columns. */
    public const TABLES = [
        'dataset' => ['name', 'organisation', 'first_month', 'closed_through', 'finest', 'deleted_at'],
        'measure' => [
            'dataset_id', 'position', 'name', 'unit', 'scale', 'grouping', 'over_members', 'better', 'numerator',
            'denominator', 'former', 'bands',
        ],
        'breakdown' => ['position', 'name', 'former'],
        'member' => ['breakdown_id', 'position', 'name', 'parent_id', 'role', 'merged_into', 'former'],
        'chart' => ['recipe'],
        'report' => ['document'],
        'note' => [
            'dataset_id', 'version', 'measure', 'period', 'place', 'label', 'text', 'author', 'at', 'changed_at',
        ],
    ];

    /**
     * @param key-of<self::TABLES> $table
     * @param array<string, int|string|null>|null $was none: the row was not there
     * @param array<string, int|string|null>|null $is none: it is not there any more
     */
    public function __construct(public string $table, public int $id, public ?array $was, public ?array $is) {}

    /**
     * The same for a row that stays, with what differs only; none where nothing does.
     *
     * @param key-of<self::TABLES> $table
     * @param array<string, int|string|null> $was
     * @param array<string, int|string|null> $is
     */
    public static function maybe(string $table, int $id, array $was, array $is): ?self
    {
        $is = array_filter(
            $is,
            static fn (mixed $value, string $column): bool => $value !== $was[$column],
            \ARRAY_FILTER_USE_BOTH,
        );

        return [] === $is ? null : new self($table, $id, array_intersect_key($was, $is), $is);
    }

    /** @return array{string, int, array<string, int|string|null>|null, array<string, int|string|null>|null} */
    public function toArray(): array
    {
        return [$this->table, $this->id, $this->was, $this->is];
    }
}

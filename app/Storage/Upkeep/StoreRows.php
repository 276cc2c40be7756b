<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

/** Reads rows of a database directly, without the object mapper and its cache. */
final readonly class StoreRows
{
    public function __construct(private \PDO $database) {}

    /** @return list<list<string>> */
    public function texts(string $sql): array
    {
        return array_map(
            static fn (array $row): array => array_map(
                static fn (mixed $cell): string => \is_scalar($cell) ? (string) $cell : '',
                $row,
            ),
            iterator_to_array($this->each($sql), false),
        );
    }

    /** @return \Generator<int, list<int|string|null>> */
    public function each(string $sql): \Generator
    {
        $rows = $this->database->query($sql, \PDO::FETCH_NUM);
        if (false === $rows) {
            throw new \LogicException('PDO is told to throw.');
        }
        /** @var list<int|string|null> $row */
        foreach ($rows as $row) {
            yield $row;
        }
    }

    public function number(string $sql): int
    {
        return (int) ($this->texts($sql)[0][0] ?? 0);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Sources;

use Doctrine\DBAL\Connection;

/** Which sources there are and which are due, without loading them. */
final readonly class SourceStore
{
    private const ALIVE = 'FROM source s JOIN dataset d ON d.id = s.dataset_id AND d.deleted_at IS NULL';

    public function __construct(private Connection $connection) {}

    /** @return list<int> ids */
    public function all(): array
    {
        return $this->ids('SELECT s.id '.self::ALIVE.' ORDER BY s.id', []);
    }

    /** @return list<int> ids of those that are due, the longest first */
    public function due(\DateTimeImmutable $now): array
    {
        return $this->ids(
            'SELECT s.id '.self::ALIVE.' WHERE s.due_at <= ? ORDER BY s.due_at, s.id', [$now->format('Y-m-d H:i:s')],
        );
    }

    /** @return list<int> ids of the sources of a name or number */
    public function called(string $name): array
    {
        $isNumber = 1 === preg_match('/^[1-9]\d{0,14}$/D', $name);

        return $this->ids(
            'SELECT s.id '.self::ALIVE.' WHERE s.'.($isNumber ? 'id' : 'name').' = ? ORDER BY s.id',
            [$name],
        );
    }

    public function name(int $id): string
    {
        return $this->text('name', $id);
    }

    /** What came of the last fetch. */
    public function says(int $id): string
    {
        return $this->text('says', $id);
    }

    private function text(string $column, int $id): string
    {
        $text = $this->connection->fetchOne("SELECT $column FROM source WHERE id = ?", [$id]);

        return \is_string($text) ? $text : '';
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<int>
     */
    private function ids(string $sql, array $parameters): array
    {
        return array_map(
            static fn (mixed $id): int => \is_int($id) ? $id : 0,
            $this->connection->fetchFirstColumn($sql, $parameters),
        );
    }
}

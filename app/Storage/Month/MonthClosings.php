<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Month;

use Doctrine\DBAL\Connection;

/** When months were closed, and by whom, and which books moved with them. */
final readonly class MonthClosings
{
    private const COLUMNS = 'SELECT id, period, at, who, undone_at, body FROM month_closing';

    public function __construct(private Connection $connection) {}

    /** @param array<int, array{string|null, string|null}> $moved what was closed before and after, by dataset */
    public function add(string $period, string $at, string $who, array $moved): int
    {
        $this->connection->insert('month_closing', [
            'period' => $period,
            'at' => $at,
            'who' => $who,
            'body' => json_encode($moved, \JSON_THROW_ON_ERROR),
        ]);

        return (int) $this->connection->lastInsertId();
    }

    public function undone(int $id, string $at): void
    {
        $this->connection->update('month_closing', ['undone_at' => $at], ['id' => $id]);
    }

    public function maybe(int $id): ?MonthClosing
    {
        return $this->one(' WHERE id = ?', $id);
    }

    /** The last time that a month was closed and that was not undone. */
    public function maybeLast(string $period): ?MonthClosing
    {
        return $this->one(' WHERE period = ? AND undone_at IS NULL ORDER BY id DESC LIMIT 1', $period);
    }

    private function one(string $where, int|string $parameter): ?MonthClosing
    {
        $row = $this->connection->fetchNumeric(self::COLUMNS.$where, [$parameter]);
        if (false === $row) {
            return null;
        }
        /** @var array{int, string, string, string, ?string, string} $row */
        [$id, $period, $at, $who, $undoneAt, $body] = $row;
        /** @var array<int, array{string|null, string|null}> $moved */
        $moved = json_decode($body, true, 8, \JSON_THROW_ON_ERROR);

        return new MonthClosing(id: $id, period: $period, at: $at, who: $who, undoneAt: $undoneAt, moved: $moved);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use Doctrine\DBAL\Connection;

/**
 * Which names measures, breakdowns and members had, in the order in which they lost them. Whoever read names before
 * some of them changed is understood by what they meant then; what is gone keeps its last name.
 */
final readonly class FormerNames
{
    public function __construct(private Connection $connection) {}

    /** The number of the last change of a name; whoever read names until now knows all up to it. */
    public function latest(): int
    {
        return self::number($this->connection->fetchOne(
            'SELECT MAX(COALESCE((SELECT MAX(id) FROM former_name), 0), '.
                'COALESCE((SELECT epoch FROM store WHERE id = 1), 0))',
        )) ?? 0;
    }

    /**
     * What somebody knows who tells the number that they were told; who tells none, or one of a store that was replaced
     * by another since, is taken to know all.
     *
     * @return ?int the last change of a name that they know of; null: all
     */
    public function maybeKnown(?int $told): ?int
    {
        $epoch = self::number($this->connection->fetchOne('SELECT epoch FROM store WHERE id = 1')) ?? 0;

        return null !== $told && $told >= $epoch && $told < $this->latest() ? $told : null;
    }

    /** To be called within a write turn, before the name is another or its bearer is gone. */
    public function lose(NameKind $kind, int $id): void
    {
        $this->connection->executeStatement(
            'INSERT INTO former_name (id, kind, bearer, owner, name) '.
                "SELECT ?, ?, id, {$kind->owner()}, name FROM {$kind->value} WHERE id = ?",
            [$this->latest() + 1, $kind->value, $id],
        );
    }

    /**
     * Charts or datasets that are about to be deleted for good keep their last names.
     *
     * @param 'chart'|'dataset' $table
     */
    public function loseDeleted(string $table, string $deletedBefore): void
    {
        $owner = 'chart' === $table ? 'dataset_id' : '0';
        $this->connection->executeStatement(
            'INSERT INTO former_name (id, kind, bearer, owner, name) SELECT CAST(? AS INTEGER) + ROW_NUMBER() OVER '.
                "(ORDER BY id), ?, id, $owner, name FROM $table WHERE deleted_at < ?",
            [$this->latest(), $table, $deletedBefore],
        );
    }

    /** @return ?string null: it never had one, or is there */
    public function maybeLast(string $kind, int $id): ?string
    {
        $name = $this->connection->fetchOne(
            'SELECT name FROM former_name WHERE kind = ? AND bearer = ? ORDER BY id DESC LIMIT 1', [$kind, $id],
        );

        return \is_string($name) ? $name : null;
    }

    /**
     * What bore a name when the names were read; of names that nothing bore then, what bears it now, or bore it last.
     *
     * @param int $owner the dataset of a measure or breakdown, the breakdown of a member
     * @param ?int $known the last change of a name that the reader knew of; null: all
     */
    public function maybeBearer(NameKind $kind, int $owner, string $name, ?int $known): ?int
    {
        return (null === $known ? null : $this->maybeAsOf($kind, $owner, $name, $known))
            ?? self::number($this->connection->fetchOne(
                "SELECT id FROM {$kind->value} WHERE {$kind->owner()} = ? AND name = ?", [$owner, $name],
            ))
            ?? $this->maybeGone($kind, $owner, LastName::maybeOf($name))
            ?? self::number($this->connection->fetchOne(
                'SELECT bearer FROM former_name WHERE kind = ? AND owner = ? AND name = ? ORDER BY id DESC LIMIT 1',
                [$kind->value, $owner, $name],
            ));
    }

    /**
     * Members of a breakdown that are gone, by their last names: one that comes back under its name is the same again.
     *
     * @return array<string|int, int>
     */
    public function gone(int $breakdown): array
    {
        /** @var array<string|int, int> */
        return $this->connection->fetchAllKeyValue(
            "SELECT name, bearer FROM former_name f WHERE kind = 'member' AND owner = ? AND NOT EXISTS ".
                '(SELECT 1 FROM member WHERE id = f.bearer) AND id = (SELECT MAX(id) FROM former_name WHERE kind = '.
                "'member' AND bearer = f.bearer) ORDER BY id",
            [$breakdown],
        );
    }

    private function maybeAsOf(NameKind $kind, int $owner, string $name, int $known): ?int
    {
        return self::number($this->connection->fetchOne(
            'SELECT bearer FROM former_name f WHERE kind = ? AND owner = ? AND name = ? AND id > ? AND id = '.
                '(SELECT MIN(id) FROM former_name WHERE kind = f.kind AND bearer = f.bearer AND id > ?)',
            [$kind->value, $owner, $name, $known, $known],
        ));
    }

    private function maybeGone(NameKind $kind, int $owner, ?LastName $last): ?int
    {
        if (null === $last) {
            return null;
        }
        $gone = $this->connection->fetchFirstColumn(
            'SELECT bearer FROM former_name f WHERE kind = ? AND owner = ? AND name = ? AND NOT EXISTS '.
                "(SELECT 1 FROM {$kind->value} WHERE id = f.bearer) GROUP BY bearer ORDER BY bearer",
            [$kind->value, $owner, $last->name],
        );

        return self::number($gone[$last->number - 1] ?? null);
    }

    private static function number(mixed $value): ?int
    {
        return \is_int($value) ? $value : null;
    }
}

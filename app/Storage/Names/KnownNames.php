<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Queries;

/** Names for the numbers in kept documents, each looked up once for as long as nothing is called otherwise. */
final class KnownNames
{
    /** @var array<string, string> by written reference */
    private array $names = [];
    private ?int $latest = null;

    public function __construct(private readonly Connection $connection) {}

    /** @param array<mixed> $document in which they stand, or a list of documents */
    public function in(array $document): NamesNow
    {
        foreach (NumberedName::within($document) as $kind => $ids) {
            $kind = NameKind::from($kind);
            $written = static fn (int $id): string => (new NumberedName($kind, $id))->written();
            $unknown = array_values(array_filter($ids, fn (int $id): bool => !isset($this->names[$written($id)])));
            // What changes while they are looked up is not known yet.
            [] === $unknown || $this->latest();
            $found = [] === $unknown ? [] : $this->found($kind, $unknown);
            foreach ($unknown as $id) {
                $this->names[$written($id)] = $found[$id] ?? $this->lastName($kind, $id)->said();
            }
        }

        return new NamesNow($this->names);
    }

    /** The last change of a name that the names which were looked up know of. */
    public function latest(): int
    {
        return $this->latest ??= (new FormerNames($this->connection))->latest();
    }

    /** Something is called otherwise from now on. */
    public function forget(): void
    {
        $this->names = [];
        $this->latest = null;
    }

    /**
     * @param list<int> $ids
     *
     * @return array<int, string>
     */
    private function found(NameKind $kind, array $ids): array
    {
        $list = Queries::list($ids);
        $sql =
            NameKind::Member === $kind
                ? 'SELECT m.id, COALESCE(became.name, m.name) FROM member m LEFT JOIN member became '.
                    "ON became.id = m.merged_into WHERE m.id IN ($list)"
                : "SELECT id, name FROM {$kind->value} WHERE id IN ($list)";

        /** @var array<int, string> */
        return $this->connection->fetchAllKeyValue($sql);
    }

    private function lastName(NameKind $kind, int $id): LastName
    {
        $last = $this->connection->fetchAssociative(
            'SELECT owner, name FROM former_name WHERE kind = ? AND bearer = ? ORDER BY id DESC LIMIT 1',
            [$kind->value, $id],
        );
        if (false === $last || !\is_string($last['name'])) {
            return new LastName("{$kind->value} $id");
        }
        $before = $this->connection->fetchOne(
            'SELECT COUNT(DISTINCT bearer) FROM former_name f WHERE kind = ? AND owner = ? AND name = ? AND '.
                "bearer < ? AND NOT EXISTS (SELECT 1 FROM {$kind->value} WHERE id = f.bearer)",
            [$kind->value, $last['owner'], $last['name'], $id],
        );

        return new LastName($last['name'], 1 + max(0, is_numeric($before) ? (int) $before : 0));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Queries;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\NamesOfDatasets;

/** Names, as they are now, for the numbers in kept documents. A merged member has the name of the one it became. */
final readonly class NamesNow implements NameMap, NamesOfDatasets
{
    /** @param array<string, string> $names by written reference */
    private function __construct(private array $names)
    {
    }

    /** @param array<mixed> $document in which they stand, or a list of documents */
    public static function in(array $document, Connection $connection): self
    {
        $names = [];
        foreach (Reference::within($document) as $kind => $ids) {
            $kind = NameKind::from($kind);
            $found = self::found($kind, $ids, $connection);
            foreach ($ids as $id) {
                $names[(new Reference($kind, $id))->written()] =
                    $found[$id] ?? self::lastName($kind, $id, $connection)->said();
            }
        }

        return new self($names);
    }

    public function measure(string $name): string
    {
        return $this->name($name);
    }

    public function breakdown(string $name): string
    {
        return $this->name($name);
    }

    public function field(string $name): string
    {
        return $this->name($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        return $this->name($name);
    }

    public function of(string $dataset): NameMap
    {
        return $this;
    }

    /** References tell by themselves what they are of. */
    public function maybeChart(string $named): ?array
    {
        return null;
    }

    private function name(string $kept): string
    {
        return $this->names[$kept] ?? Reference::name($kept);
    }

    /**
     * @param list<int> $ids
     *
     * @return array<int, string>
     */
    private static function found(NameKind $kind, array $ids, Connection $connection): array
    {
        $list = Queries::list($ids);
        $sql =
            NameKind::Member === $kind
                ? 'SELECT m.id, COALESCE(became.name, m.name) FROM member m LEFT JOIN member became '.
                    "ON became.id = m.merged_into WHERE m.id IN ($list)"
                : "SELECT id, name FROM {$kind->value} WHERE id IN ($list)";

        /** @var array<int, string> */
        return $connection->fetchAllKeyValue($sql);
    }

    private static function lastName(NameKind $kind, int $id, Connection $connection): LastName
    {
        $last = $connection->fetchAssociative(
            'SELECT owner, name FROM former_name WHERE kind = ? AND bearer = ? ORDER BY id DESC LIMIT 1',
            [$kind->value, $id],
        );
        if (false === $last || !\is_string($last['name'])) {
            return new LastName("{$kind->value} $id");
        }
        $before = $connection->fetchOne(
            'SELECT COUNT(DISTINCT bearer) FROM former_name f WHERE kind = ? AND owner = ? AND name = ? AND '.
                "bearer < ? AND NOT EXISTS (SELECT 1 FROM {$kind->value} WHERE id = f.bearer)",
            [$kind->value, $last['owner'], $last['name'], $id],
        );

        return new LastName($last['name'], 1 + max(0, is_numeric($before) ? (int) $before : 0));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names\Numbering;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Names\NameKind;

/** Fills the table of former names from what the logs of changes, and the names that files may still use, tell. */
final class LoggedNames
{
    /** Columns that renamings wrote names into. */
    private const OF_DOCUMENTS = ['recipe', 'document', 'measure', 'place', 'numerator', 'denominator', 'bands'];

    /** @var array<int, int> the number of the last lost name when a change was done, by change */
    private array $knownAfter = [];
    /** @var array<int, string> when it was done, by change; of those that lost a name */
    private array $times = [];
    private int $first = 0;

    public function __construct(private readonly Connection $connection) {}

    public function keep(): void
    {
        // Names that were borne for a while only, or at a time that is not known, come before all others.
        $this->keepUndated();
        foreach ($this->changes() as $change) {
            1 === $change['undone'] && $this->keepChange($change);
        }
        $this->first = $this->last();
        foreach ($this->changes() as $change) {
            1 === $change['undone'] || $this->keepChange($change);
        }
    }

    /**
     * Changes of rows that have names or use them, the first one first; one at a time, as amounts may be many.
     *
     * @return iterable<array{id: int, dataset: int, at: string, undone: int, body: string}>
     */
    public function changes(): iterable
    {
        $tables = ['chart', 'report', 'note', 'measure', 'breakdown', 'member'];
        $isOf = static fn (string $table): string => "body LIKE '%[\"$table\",%'";
        $hasRows = implode(' OR ', array_map($isOf, $tables));
        $ids = $this->connection->fetchFirstColumn("SELECT id FROM dataset_change WHERE $hasRows ORDER BY id");
        foreach ($ids as $id) {
            /** @var array{id: int, dataset: int, at: string, undone: int, body: string} $change */
            $change = $this->connection->fetchAssociative(
                'SELECT id, dataset, at, undone, body FROM dataset_change WHERE id = ?', [$id],
            );
            yield $change;
        }
    }

    /** The last lost name before a change was done; after an undone one nothing else is known than before it. */
    public function knownBefore(int $change): int
    {
        $before = array_filter($this->knownAfter, static fn (int $id): bool => $id < $change, \ARRAY_FILTER_USE_KEY);

        return [] === $before ? $this->knownAtFirst() : max($before);
    }

    /** The last lost name of those whose time is not known: known to everybody. */
    public function knownAtFirst(): int
    {
        return [] === $this->knownAfter ? $this->last() : $this->first;
    }

    /** The last lost name before a time. */
    public function knownAt(string $at): int
    {
        $before = array_filter($this->times, static fn (string $time): bool => $time < $at);

        return [] === $before ? $this->knownAtFirst() : $this->knownAfter((int) array_key_last($before));
    }

    public function knownAfter(int $change): int
    {
        return $this->knownAfter[$change] ?? $this->knownBefore($change);
    }

    private function keepUndated(): void
    {
        foreach (NameKind::cases() as $kind) {
            $rows = $this->connection->fetchAllAssociative(
                "SELECT id, {$kind->owner()} AS owner, former FROM {$kind->value} WHERE former <> '[]' ORDER BY id",
            );
            foreach ($rows as $row) {
                $names = \is_string($row['former']) ? json_decode($row['former'], true) : null;
                foreach (\is_array($names) ? $names : [] as $name) {
                    \is_string($name) && $this->lose($kind, $row['id'], $row['owner'], $name);
                }
            }
        }
    }

    /** @param array{id: int, dataset: int, at: string, undone: int, body: string} $change */
    private function keepChange(array $change): void
    {
        $isUndone = 1 === $change['undone'];
        $before = $this->last();
        foreach (self::rows($change['body']) as [$table, $id, $was, $is]) {
            $kind = NameKind::tryFrom($table);
            // The name that it does not have now: of an undone change the one that it had for a while.
            [$lost, $borne] = $isUndone ? [$is, $was] : [$was, $is];
            $name = $lost['name'] ?? null;
            if (null !== $kind && \is_string($name) && ($borne['name'] ?? null) !== $name) {
                $owner = $lost[$kind->owner()] ?? $this->ownerOf($kind, $id, $change['dataset']);
                $this->lose($kind, $id, $owner, $name);
            }
        }
        $last = $this->last();
        if (!$isUndone && $last !== $before) {
            $this->knownAfter[$change['id']] = $last;
            $this->times[$change['id']] = $change['at'];
        }
    }

    private function ownerOf(NameKind $kind, int $id, int $dataset): mixed
    {
        $owner = $this->connection->fetchOne("SELECT {$kind->owner()} FROM {$kind->value} WHERE id = ?", [$id]);

        return NameKind::Member === $kind || false !== $owner ? $owner : $dataset;
    }

    private function lose(NameKind $kind, mixed $id, mixed $owner, string $name): void
    {
        if (is_numeric($owner)) {
            $this->connection->insert('former_name', [
                'id' => $this->last() + 1,
                'kind' => $kind->value,
                'bearer' => $id,
                'owner' => (int) $owner,
                'name' => $name,
            ]);
        }
    }

    private function last(): int
    {
        $last = $this->connection->fetchOne('SELECT MAX(id) FROM former_name');
        $epoch = $this->connection->fetchOne('SELECT epoch FROM store WHERE id = 1');

        return max(is_numeric($last) ? (int) $last : 0, is_numeric($epoch) ? (int) $epoch : 0);
    }

    /** @return list<array{string, int, array<mixed>|null, array<mixed>|null}> table, id, columns before and after */
    public static function rows(mixed $body): array
    {
        $read = \is_string($body) ? json_decode($body, true) : null;
        $rows = \is_array($read) && \is_array($read['rows'] ?? null) ? $read['rows'] : [];

        /** @var list<array{string, int, array<mixed>|null, array<mixed>|null}> */
        return array_values(array_filter($rows, static fn (mixed $row): bool => \is_array($row) && 4 === \count($row)));
    }

    /**
     * The same without what a renaming wrote into documents, which are about the same as before.
     *
     * @return list<array{string, int, array<mixed>|null, array<mixed>|null}>
     */
    public static function rowsWithoutRenamed(mixed $body): array
    {
        $rows = self::rows($body);
        $isRenaming = [] !== array_filter(
            $rows,
            static fn (array $row): bool => null !== NameKind::tryFrom($row[0])
                && isset($row[2]['name'], $row[3]['name']),
        );
        $isOfDocument = static fn (array $row): bool => null !== $row[2]
            && null !== $row[3]
            && [] === array_diff_key($row[3], array_flip(self::OF_DOCUMENTS));

        return $isRenaming
            ? array_values(array_filter($rows, static fn (array $row): bool => !$isOfDocument($row)))
            : $rows;
    }
}

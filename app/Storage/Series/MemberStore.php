<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\ParameterType;
use KeenMargin\App\Storage\Connection\Queries;
use KeenMargin\App\Storage\Names\FormerNames;
use KeenMargin\Core\Figures\LineRole;

/** Reads and writes members of breakdowns by SQL: there may be too many for the object mapper. */
final readonly class MemberStore
{
    public function __construct(private Queries $queries) {}

    /**
     * Names of a breakdown's members by their ids, in their order; past the object mapper, as there may be many.
     *
     * @return array<int, string>
     */
    public function members(int $breakdown): array
    {
        $members = [];
        $rows = $this->queries->rows("SELECT id, name FROM member WHERE breakdown_id = $breakdown ORDER BY position");
        /** @var array{int, string} $row */
        foreach ($rows as $row) {
            $members[$row[0]] = $row[1];
        }

        return $members;
    }

    /**
     * The same of some members only: those of the given names, and all that have traits or are named by one, as a group
     * or as what a merged member counts for.
     *
     * @param list<string> $names
     *
     * @return array<int, string>
     */
    public function some(int $breakdown, array $names): array
    {
        $traits =
            'SELECT id, parent_id, merged_into FROM member WHERE breakdown_id '.
            "= $breakdown AND (merged_into IS NOT NULL OR parent_id IS NOT NULL OR role IS NOT NULL OR former <> ".
            "'[]')";
        $wanted = 'SELECT id FROM traits UNION SELECT parent_id FROM traits UNION SELECT merged_into FROM traits';
        $sql =
            "WITH traits AS ($traits) SELECT id, name FROM (SELECT id, name, position FROM member WHERE ".
            "breakdown_id = ? AND name IN (?) UNION SELECT id, name, position FROM member WHERE id IN ($wanted)) ".
            'ORDER BY position';

        /** @var array<int, string> */
        return $this->queries->connection->fetchAllKeyValue(
            $sql, [$breakdown, $names], [ParameterType::INTEGER, ArrayParameterType::STRING],
        );
    }

    /**
     * @return array{array<int, int>, array<int, int>, array<int, string>, array<int, list<string>>}
     *                                                                                               what few members
     *                                                                                               have: the one they
     *                                                                                               were merged into,
     *                                                                                               their group, their
     *                                                                                               role, their former
     *                                                                                               names; by id
     */
    public function memberTraits(int $breakdown): array
    {
        $merged = $parents = $roles = $former = [];
        /** @var array{int, ?int, ?int, ?string, string} $row */
        foreach (
            $this->queries->rows(
                'SELECT id, merged_into, parent_id, role, former FROM member WHERE breakdown_id '.
                    "= $breakdown AND (merged_into IS NOT NULL OR parent_id IS NOT NULL OR role IS NOT NULL OR ".
                    "former <> '[]')",
            ) as $row
        ) {
            $merged[$row[0]] = $row[1];
            $parents[$row[0]] = $row[2];
            $roles[$row[0]] = $row[3];
            /** @var list<string> $names */
            $names = json_decode($row[4], true);
            $former[$row[0]] = $names;
        }

        return [array_filter($merged), array_filter($parents), array_filter($roles), array_filter($former)];
    }

    /** @return array<int, int> positions of the members of a member's breakdown, by id */
    public function positions(int $member): array
    {
        /** @var array<int, int> */
        return $this->queries->connection->fetchAllKeyValue(
            'SELECT id, position FROM member WHERE breakdown_id = (SELECT breakdown_id FROM member WHERE id = ?)',
            [$member],
        );
    }

    /**
     * One that was deleted and comes back under its name has its number again: whatever refers to it means it.
     *
     * @param list<string> $names of members that the breakdown does not have yet
     *
     * @return array<int, string> by id
     */
    public function addMembers(int $breakdown, array $names): array
    {
        $next = $this->queries->nextId('member');
        $gone = [] === $names ? [] : $this->gone($breakdown);
        $position = $this->queries->number(
            "SELECT COALESCE(MAX(position), -1) FROM member WHERE breakdown_id = $breakdown",
        );
        $insert = $this->queries->connection->prepare(
            'INSERT INTO member (id, position, name, breakdown_id) VALUES (?, ?, ?, ?)',
        );
        $added = [];
        foreach ($names as $name) {
            $id = $gone[$name] ?? $next++;
            $insert->bindValue(1, $id, ParameterType::INTEGER);
            $insert->bindValue(2, ++$position, ParameterType::INTEGER);
            $insert->bindValue(3, $name);
            $insert->bindValue(4, $breakdown, ParameterType::INTEGER);
            $insert->executeStatement();
            $added[$id] = $name;
        }

        return $added;
    }

    /**
     * @param array<string|int, int> $ids of members, by name
     * @param array<string|int, LineRole> $roles by name; members that have no id here keep what they have
     */
    public function giveRoles(array $ids, array $roles): void
    {
        foreach (array_intersect_key($roles, $ids) as $name => $role) {
            $this->queries->connection->update('member', ['role' => $role->value], ['id' => $ids[$name]]);
        }
    }

    /** The number of a new member; that of the one that was deleted where it comes back. */
    public function numberFor(int $breakdown, string $name): int
    {
        return $this->gone($breakdown)[$name] ?? $this->queries->nextId('member');
    }

    /** @return array<string|int, int> numbers of members that were deleted, by their last names */
    public function gone(int $breakdown): array
    {
        return (new FormerNames($this->queries->connection))->gone($breakdown);
    }

    /** The position of a breakdown's last member; -1 where it has none. */
    public function lastPosition(int $breakdown): int
    {
        return $this->queries->number("SELECT COALESCE(MAX(position), -1) FROM member WHERE breakdown_id = $breakdown");
    }
}

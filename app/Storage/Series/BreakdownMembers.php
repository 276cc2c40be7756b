<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Record\BreakdownRecord;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\LineRole;

/**
 * A breakdown's members by their ids: which stand for themselves, which were merged into another, which group they are
 * in.
 */
final readonly class BreakdownMembers
{
    /**
     * @param array<int, string> $own all by id, in their order, under their own names
     * @param array<int, int> $merged ids of those that were merged, and the one each stands for
     * @param array<int, int> $parents
     * @param array<int, string> $roles
     * @param array<int, list<string>> $former
     */
    private function __construct(
        private BreakdownRecord $breakdown,
        private array $own,
        public array $merged,
        public array $parents,
        public array $roles,
        public array $former,
    ) {}

    public static function of(BreakdownRecord $breakdown, SeriesStore $store): self
    {
        return new self(
            $breakdown,
            $store->members()->members((int) $breakdown->id),
            ...$store->members()->memberTraits((int) $breakdown->id),
        );
    }

    /**
     * Where only some of the members matter: those of the names, and all that are groups, grouped or merged.
     *
     * @param list<string> $names
     */
    public static function some(BreakdownRecord $breakdown, SeriesStore $store, array $names): self
    {
        return new self(
            $breakdown,
            $store->members()->some((int) $breakdown->id, $names),
            ...$store->members()->memberTraits((int) $breakdown->id),
        );
    }

    /** @return array<int, string> those that stand for themselves */
    public function standing(): array
    {
        return array_diff_key($this->own, $this->merged);
    }

    /**
     * Keys of the series that make up one cell: of members, and of those merged into them.
     *
     * @param list<int> $ids one for each breakdown
     * @param list<self> $each members of each breakdown
     *
     * @return list<list<int>> the key itself first
     */
    public static function keys(array $ids, array $each): array
    {
        $keys = [[]];
        foreach ($each as $place => $members) {
            $next = [];
            foreach (array_unique([$ids[$place], ...$members->alike($ids[$place])]) as $one) {
                foreach ($keys as $key) {
                    $next[] = [...$key, $one];
                }
            }
            $keys = $next;
        }

        return $keys;
    }

    /** Whether no member bears the name, not even one that was merged into another. */
    public function isFree(string $name): bool
    {
        return !\in_array($name, $this->own, true);
    }

    /** The member that counts for a merged one of this name; none where it stands for itself or is not there. */
    public function maybeStandsFor(string $name): ?string
    {
        $into = $this->merged[(int) array_search($name, $this->own, true)] ?? null;

        return null === $into ? null : $this->own[$into] ?? null;
    }

    public function own(int $id): string
    {
        return $this->own[$id] ?? '';
    }

    /** @return array<int, string> the name that each id goes by */
    public function names(): array
    {
        $names = $this->own;
        foreach ($this->merged as $id => $into) {
            $names[$id] = $this->own[$into] ?? $names[$id];
        }

        return $names;
    }

    /**
     * @return array<string|int, int> ids by every name that a file may use; the member's own name wins over a former
     *                                one
     */
    public function ids(): array
    {
        $ids = [];
        foreach ($this->former as $id => $names) {
            $ids += array_fill_keys($names, $id);
        }

        return array_flip($this->own) + $ids;
    }

    /** @return list<int> the id that amounts of a member stand under, and those merged into it */
    public function alike(int $id): array
    {
        $target = $this->merged[$id] ?? $id;

        return [$target, ...array_keys($this->merged, $target, true)];
    }

    /**
     * @return list<int> ids of the members that the filter names, with those merged into them and those in a group that
     *                   it names; or leaves in by their size
     */
    public function filtered(MemberFilter|NumberFilter $filter): array
    {
        $names = $this->names();
        if ($filter instanceof NumberFilter) {
            return array_keys(array_filter($names, $filter->letsText(...)));
        }
        $wanted = $filter->members;
        if ([] !== $this->parents) {
            $breakdown = $this->breakdown();
            $wanted = array_merge(...array_map($breakdown->within(...), $wanted));
        }
        $wanted = array_flip($wanted);

        return array_keys(array_filter($names, static fn (string $name): bool => isset($wanted[$name])));
    }

    public function breakdown(): Breakdown
    {
        $parents = $roles = [];
        foreach ($this->parents as $id => $parent) {
            if (isset($this->own[$id], $this->own[$parent]) && !isset($this->merged[$id])) {
                $parents[$this->own[$id]] = $this->own[$parent];
            }
        }
        foreach (array_diff_key($this->roles, $this->merged) as $id => $role) {
            $roles[$this->own[$id]] = LineRole::from($role);
        }

        return new Breakdown(
            $this->breakdown->name, array_values($this->standing()), $parents, $roles, $this->breakdown->former,
        );
    }
}

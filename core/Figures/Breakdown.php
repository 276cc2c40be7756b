<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\NumberFilter;

/** A breakdown: a way to split a measure, with its members in their order, and the groups that they stand in. */
final readonly class Breakdown
{
    /**
     * @param list<string> $members
     * @param array<string|int, string> $parents the group, itself a member, that a member stands in
     * @param array<string|int, LineRole> $roles of lines of a statement
     * @param list<string> $former names that it had, which files may still use
     */
    public function __construct(
        public string $name,
        public array $members,
        public array $parents = [],
        public array $roles = [],
        public array $former = [],
    ) {}

    /** Whether a column of this name is meant. */
    public function answersTo(string $name): bool
    {
        return $name === $this->name || \in_array($name, $this->former, true);
    }

    /** @return list<string> members that hold others, in their order */
    public function groups(): array
    {
        $held = array_fill_keys(array_map(strval(...), $this->parents), true);

        return array_values(array_filter($this->members, static fn (string $member): bool => isset($held[$member])));
    }

    /**
     * A member and all that stand in it, however deep.
     *
     * @return list<string>
     */
    public function within(string $member): array
    {
        $within = [$member];
        for ($i = 0; $i < \count($within); ++$i) {
            foreach ($this->parents as $child => $parent) {
                if ((string) $parent === $within[$i] && !\in_array((string) $child, $within, true)) {
                    $within[] = (string) $child;
                }
            }
        }

        return $within;
    }

    /**
     * What a member stands for: itself, or whatever stands in a group, one by one.
     *
     * @return list<string>
     */
    public function leaves(string $member): array
    {
        $within = $this->within($member);

        return 1 === \count($within) ? $within : array_values(array_diff($within, $this->groups()));
    }

    /**
     * What members do in a statement; of a group, what those in it do.
     *
     * @param list<string> $members
     *
     * @return list<?LineRole>
     */
    public function rolesOf(array $members): array
    {
        if ([] === $this->roles) {
            return array_map(static fn (): ?LineRole => null, $members);
        }
        $roles = [];
        $groups = $this->groups();
        foreach ($members as $member) {
            foreach (isset($this->roles[$member]) ? [$member] : array_diff($this->within($member), $groups) as $line) {
                $roles[] = $this->roles[$line] ?? null;
            }
        }

        return $roles;
    }

    /** How many groups a member stands in. */
    public function depth(string $member): int
    {
        for ($depth = 0; isset($this->parents[$member]) && $depth < 20; ++$depth) {
            $member = (string) $this->parents[$member];
        }

        return $depth;
    }

    /**
     * @param list<string> $folded groups whose members are left out
     *
     * @return list<string> members with each group before what stands in it, else in their order
     */
    public function asTree(array $folded = []): array
    {
        if ([] === $this->parents) {
            return $this->members;
        }
        $children = [];
        foreach ($this->members as $member) {
            $children[$this->parents[$member] ?? "\0"][] = $member;
        }
        $tree = [];
        $closed = array_fill_keys($folded, true);
        $walk = static function (string $parent) use (&$walk, &$tree, $children, $closed): void {
            foreach ($children[$parent] ?? [] as $member) {
                $tree[] = $member;
                isset($closed[$member]) || $walk($member);
            }
        };
        $walk("\0");

        return $tree;
    }

    /** Whether all members that are not blank are numbers, and so can be filtered by size. */
    public function isNumeric(): bool
    {
        $named = array_filter($this->members, static fn (string $member): bool => '' !== $member);

        return [] !== $named
            && [] ===
                array_filter($named, static fn (string $member): bool => null === NumberFilter::maybeNumber($member));
    }
}

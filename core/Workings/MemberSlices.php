<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Sums;

/**
 * Rows that are members of a breakdown, groups before what stands in them, the sum of all at the end. Of many the largest are
 * kept, and the others gathered.
 */
final readonly class MemberSlices
{
    /** More members than these are gathered without being asked, into so many and one. */
    private const MOST = 40;
    private const KEPT = 20;

    /**
     * @param list<string>|null               $kept    members that are not gathered; none: all are shown
     * @param array<string|int, Sums>         $present those that have any figures, in whichever chart
     * @param list<MemberFilter|NumberFilter> $where   that these were asked with
     */
    private function __construct(private Scope $scope, private Figures $figures, private Dimension $dimension, private ?array $kept, private array $present, private array $where)
    {
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function planned(Scope $scope, Figures $figures, Dimension $dimension, array $where): self
    {
        $sums = $figures->sumsBy($dimension->name, $scope->sources, $where, $scope->lookedUp());
        $top = $scope->question->top ?? (\count($sums) > self::MOST ? self::KEPT : \count($sums));

        return new self($scope, $figures, $dimension, \count($sums) <= $top ? null : self::largest($scope, $sums, $top), $sums, $where);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Slice>
     */
    public function of(array $where): array
    {
        $shown = $this->kept ?? array_map(strval(...), array_keys($this->present));
        $sums = [] === $shown || $where === $this->where ? $this->present : $this->figures->sumsBy($this->dimension->name, $this->scope->sources, null === $this->kept ? $where : [...$where, new MemberFilter($this->dimension->name, $shown)], $this->scope->lookedUp());
        $slices = null === $this->kept ? $this->tree($sums, $where) : array_map(fn (string $member): Slice => $this->member($member, RowRole::Row, $sums[$member] ?? new Sums()), $shown);
        if (null !== $this->kept) {
            $gathered = $where === $this->where ? Sums::of(array_diff_key($this->present, array_fill_keys($shown, true))) : $this->figures->sums($this->scope->sources, [...$where, new MemberFilter($this->dimension->name, $this->kept, false)]);
            $slices[] = $this->sum('other', RowRole::Other, $gathered, 'Other ('.(\count($this->present) - \count($shown)).')');
        }
        if (\count($slices) > 1 && $this->hasTotal()) {
            $slices[] = $this->sum('total', RowRole::Total, $this->figures->sums($this->scope->sources, $where), 'Total');
        }

        return $slices;
    }

    /** Whether the sum of all rows says anything. */
    public function hasTotal(): bool
    {
        return $this->canTotal(array_map(strval(...), array_keys($this->present)));
    }

    /**
     * @param array<string|int, Sums>         $sums  of the members that have any
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Slice>
     */
    private function tree(array $sums, array $where): array
    {
        $groups = array_fill_keys($this->dimension->groups(), true);
        $slices = [];
        foreach ($this->dimension->asTree() as $member) {
            if (!isset($groups[$member])) {
                isset($this->present[$member]) && $slices[] = $this->member($member, RowRole::Row, $sums[$member] ?? new Sums());
                continue;
            }
            $within = $this->dimension->within($member);
            if ([] !== array_intersect_key($this->present, array_fill_keys($within, true)) && $this->canTotal($within)) {
                $slices[] = $this->member($member, RowRole::Group, $this->figures->sums($this->scope->sources, [...$where, new MemberFilter($this->dimension->name, $within)]));
            }
        }

        return $slices;
    }

    private function member(string $member, RowRole $role, Sums $sums): Slice
    {
        $label = '' === $member ? '(blank)' : $member;

        return new Slice($member, $label, $label, $role, $this->scope->fine, $this->scope->fine, $sums, null, $member, $this->dimension->depth($member));
    }

    /** A row that is no member, under a key that no member has. */
    private function sum(string $key, RowRole $role, Sums $sums, string $label): Slice
    {
        while (\in_array($key, $this->dimension->members, true)) {
            $key .= '*';
        }

        return new Slice($key, $label, $label, $role, $this->scope->fine, $this->scope->fine, $sums);
    }

    /**
     * Percentages without their parts cannot be added, and a sum of lines that add and take away says nothing.
     *
     * @param list<string> $members
     */
    private function canTotal(array $members): bool
    {
        $roles = [] === $this->dimension->roles ? [] : $this->dimension->rolesOf($members);

        return Grouping::Rate !== $this->scope->measure->grouping
            && !(\in_array(LineRole::Adds, $roles, true) && \in_array(LineRole::TakesAway, $roles, true)) && !\in_array(LineRole::Subtotal, $roles, true);
    }

    /**
     * @param array<string|int, Sums> $sums
     *
     * @return list<string>
     */
    private static function largest(Scope $scope, array $sums, int $top): array
    {
        $question = $scope->question;
        $sizes = MemberSizes::largestFirst(MemberSizes::of($sums, $scope->measure, $question->scenario, $question->forecast, $scope->closing, $scope->fine));

        return \array_slice(array_map(strval(...), array_keys($sizes + $sums)), 0, $top);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * Rows that are members of a breakdown, groups before what stands in them, the sum of all at the end. Of many the
 * largest are kept, and the others gathered.
 */
final readonly class MemberSlices
{
    /** More members than these are gathered without being asked, into so many and one. */
    private const MOST = 40;
    private const KEPT = 20;

    /**
     * @param array<string|int, true>|null $kept members that are not gathered; null: all are shown
     * @param array<string|int, Sums> $present members that have figures in the periods, in whichever chart
     * @param list<MemberFilter|NumberFilter> $where that these were asked with
     * @param bool $isNet whether lines that add and take away have their result as a row
     */
    private function __construct(
        private Scope $scope,
        private Figures $figures,
        private RowContent $content,
        private Breakdown $breakdown,
        private ?array $kept,
        private array $present,
        private array $where,
        private bool $isNet,
    ) {}

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function planned(
        Scope $scope,
        Figures $figures,
        RowContent $content,
        Breakdown $breakdown,
        array $where,
        bool $isNet = false,
    ): self {
        $present = self::present($scope, $figures, $content, $breakdown, $where);
        $top = $scope->question->top ?? (\count($present) > self::MOST ? self::KEPT : \count($present));
        $kept = null;
        if (\count($present) > $top) {
            $sizes = MemberSizes::largestFirst($content->sizes($scope->fine, $present));
            $kept = \array_slice(array_fill_keys(array_keys($sizes + $present), true), 0, $top, true);
        }

        return new self(
            scope: $scope,
            figures: $figures,
            content: $content,
            breakdown: $breakdown,
            kept: $kept,
            present: $present,
            where: $where,
            isNet: $isNet,
        );
    }

    /**
     * The rows of one chart: those that have a figure in it.
     *
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Slice>
     */
    public function of(array $where): array
    {
        $sums =
            $where === $this->where
                ? $this->present
                : self::present($this->scope, $this->figures, $this->content, $this->breakdown, $where);
        $slices = null === $this->kept ? $this->tree($sums, $where) : [];
        foreach ($this->kept ?? [] as $member => $isKept) {
            if (isset($sums[$member])) {
                $slices[] = $this->member((string) $member, RowRole::Row, $sums[$member], 0);
            }
        }
        $others = null === $this->kept ? [] : array_diff_key($sums, $this->kept);
        if ([] !== $others) {
            $slices[] = $this->sum(SumKey::Other, RowRole::Other, Sums::of($others), 'Other ('.\count($others).')');
        }
        $net = $this->maybeNet();
        if (\count($slices) > 1 && null !== $net) {
            $slices[] = $this->sum(
                SumKey::Total, RowRole::Total, $net->sums($this->scope->sources, $where), NetLines::RESULT,
            );
        }
        if (\count($slices) > 1 && $this->hasTotal()) {
            $slices[] = $this->sum(
                SumKey::Total, RowRole::Total, $this->figures->sums($this->scope->sources, $where), 'Total',
            );
        }

        return $slices;
    }

    /**
     * The sums of the same rows under another filter.
     *
     * @param list<Slice> $slices as of() gave them
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Sums>
     */
    public function sums(array $slices, array $where): array
    {
        $byMember = $this->figures->sumsBy(
            $this->breakdown->name, $this->scope->sources, $where, $this->scope->lookedUp(),
        );

        return array_map(
            fn (Slice $slice): Sums => match ($slice->role) {
                RowRole::Group => $this->figures->sums(
                    $this->scope->sources, $this->within((string) $slice->member, $where),
                ),
                RowRole::Other => Sums::of(array_diff_key($byMember, $this->kept ?? [])),
                RowRole::Total => $this->figures->sums($this->scope->sources, $where),
                default => $byMember[$slice->member] ?? new Sums(),
            },
            $slices,
        );
    }

    /**
     * Figures whose sum is the result of the lines that rows are, where some add and others take away; null: rows are
     * no such lines, or their result is not wanted.
     */
    public function maybeNet(): ?NetFigures
    {
        $isStatement =
            $this->isNet
            && $this->scope->measure->isAddedOverMembers()
            && !$this->hasTotal()
            && $this->breakdown->name === NetFigures::maybeLines($this->scope->dataset)?->name;

        return $isStatement ? new NetFigures($this->figures, $this->breakdown) : null;
    }

    /** Whether the sum of all rows says anything. */
    public function hasTotal(): bool
    {
        return $this->canTotal(array_map(strval(...), array_keys($this->present)));
    }

    /**
     * Members that have a figure of what is shown or of a reference; others are left away.
     *
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return array<string|int, Sums>
     */
    private static function present(
        Scope $scope,
        Figures $figures,
        RowContent $content,
        Breakdown $breakdown,
        array $where,
    ): array {
        $sums = $figures->sumsBy($breakdown->name, $scope->sources, $where, $scope->lookedUp());

        return array_filter($sums, static fn (Sums $own): bool => $content->hasFigures($scope->fine, $own));
    }

    /**
     * @param array<string|int, Sums> $sums of the members that have any
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<Slice>
     */
    private function tree(array $sums, array $where): array
    {
        $groups = array_fill_keys($this->breakdown->groups(), true);
        $slices = $depths = [];
        foreach ($this->breakdown->asTree() as $member) {
            // What stands in a group that is not shown is not set in.
            $depth = $depths[$this->breakdown->parents[$member] ?? ''] ?? 0;
            if (!isset($groups[$member])) {
                isset($sums[$member]) && ($slices[] = $this->member($member, RowRole::Row, $sums[$member], $depth));
                continue;
            }
            $within = $this->breakdown->within($member);
            $isShown = [] !== array_intersect_key($sums, array_fill_keys($within, true)) && $this->canTotal($within);
            $depths[$member] = $depth + ($isShown ? 1 : 0);
            if ($isShown) {
                $ofGroup = $this->figures->sums($this->scope->sources, $this->within($member, $where));
                $slices[] = $this->member($member, RowRole::Group, $ofGroup, $depth);
            }
        }

        return $slices;
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<MemberFilter|NumberFilter> the same, of what stands in a group only
     */
    private function within(string $group, array $where): array
    {
        return [...$where, new MemberFilter($this->breakdown->name, $this->breakdown->within($group))];
    }

    private function member(string $member, RowRole $role, Sums $sums, int $depth): Slice
    {
        $label = '' === $member ? '(blank)' : $member;

        return new Slice(
            key: RowKey::row($member),
            label: $label,
            name: $label,
            role: $role,
            fine: $this->scope->fine,
            own: $this->scope->fine,
            sums: $sums,
            period: null,
            member: $member,
            depth: $depth,
        );
    }

    /** A row that is no member. */
    private function sum(SumKey $key, RowRole $role, Sums $sums, string $label): Slice
    {
        return new Slice(
            key: RowKey::sum($key),
            label: $label,
            name: $label,
            role: $role,
            fine: $this->scope->fine,
            own: $this->scope->fine,
            sums: $sums,
        );
    }

    /**
     * Percentages without their parts cannot be added, and a sum of lines that add and take away says nothing.
     *
     * @param list<string> $members
     */
    private function canTotal(array $members): bool
    {
        $roles = [] === $this->breakdown->roles ? [] : $this->breakdown->rolesOf($members);

        return OverMembers::Never !== $this->scope->measure->overMembers
            && !(\in_array(LineRole::Adds, $roles, true) && \in_array(LineRole::TakesAway, $roles, true))
            && !\in_array(LineRole::Subtotal, $roles, true);
    }
}

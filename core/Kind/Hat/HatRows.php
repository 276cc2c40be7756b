<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slice;
use KeenMargin\Core\Workings\Rows\Slices;

/** What is shown of one member and of another, row by row, and the second minus the first. */
final readonly class HatRows
{
    public function __construct(
        private Scope $scope,
        private Figures $figures,
        private Between $between,
        public ComparisonRows $content,
    ) {}

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<MemberFilter|NumberFilter> the same, of the two members only
     */
    public function both(array $where): array
    {
        return [...$where, new MemberFilter($this->between->field, [$this->between->first, $this->between->second])];
    }

    /** @return list<Row> */
    public function rows(Panel $panel, Slices $slices): array
    {
        $both = $slices->of($this->both($panel->where));
        $first = $slices->sums($both, $this->only($this->between->first, $panel->where));
        $second = $slices->sums($both, $this->only($this->between->second, $panel->where));

        return array_map(
            fn (Slice $slice, Sums $first, Sums $second): Row => $this->row($slice, $panel, $first, $second),
            $both,
            $first,
            $second,
        );
    }

    public function total(): Total
    {
        $sums = fn (string $member): Sums => $this->figures->sums(
            $this->scope->sources, $this->only($member, $this->scope->question->where),
        );
        [$first, $second] = [$sums($this->between->first), $sums($this->between->second)];
        $comparison = $this->content->comparison;
        $compared = $comparison->between($this->scope->fine, $second, $first, $this->scope->better, $this->place());
        $exact = $comparison->exact($this->scope->fine, $second);
        $shown = $comparison->rounding()->of($exact);
        $values = ['first' => $comparison->shown($this->scope->fine, $first), 'second' => $shown];

        return new Total(
            shown: $shown,
            variances: ['first' => $compared->variance],
            leftOut: ['first' => $compared->leftOut],
            values: $values,
            exact: $exact,
            unlike: ['first' => $compared->unlike],
        );
    }

    private function place(): int
    {
        return $this->scope->dataset->placeOf($this->between->field);
    }

    private function row(Slice $slice, Panel $panel, Sums $first, Sums $second): Row
    {
        $comparison = $this->content->comparison;
        $isWhole = $this->content->isWhole($slice);
        $better = $this->scope->betterOf($slice->member);
        $compared = $comparison->between($slice->fine, $second, $first, $better, $this->place());
        $exact = $isWhole ? $comparison->exact($slice->fine, $second) : null;
        $shown = $comparison->rounding()->of($exact);
        $values = ['first' => $isWhole ? $comparison->shown($slice->fine, $first) : null, 'second' => $shown];
        if (null !== $this->scope->question->cumulate) {
            $values['own'] = RowRole::Landing === $slice->role ? null : $comparison->shown($slice->own, $second);
        }

        return ComparisonRows::of(
            slice: $slice,
            panel: $panel,
            values: $values,
            shown: $shown,
            variances: ['first' => $isWhole ? $compared->variance : null],
            comparison: $comparison,
            exact: $exact,
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<MemberFilter|NumberFilter>
     */
    private function only(string $member, array $where): array
    {
        return [...$where, new MemberFilter($this->between->field, [$member])];
    }
}

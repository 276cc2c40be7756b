<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Result\RowRole;

/**
 * The rows of a question before anything is compared: periods, members of a breakdown, or all together in one row; the
 * same ones in each of its panels.
 */
final readonly class Slices
{
    /** Key of the row where all is taken together. */
    private const WHOLE = 'all';

    private function __construct(
        private Scope $scope,
        private Figures $figures,
        private ?MemberSlices $members,
        private ?PeriodSlices $periods,
    ) {}

    /**
     * @param list<MemberFilter|NumberFilter> $where that has whatever rows there may be
     * @param bool $isNet whether lines that add and take away have their result as a row
     */
    public static function planned(
        Scope $scope,
        Figures $figures,
        RowContent $content,
        array $where,
        bool $isNet = false,
    ): self {
        $name = $scope->question->breakdown();
        $breakdown = null === $name ? null : $scope->dataset->maybeBreakdown($name);
        $members =
            null === $breakdown
                ? null
                : MemberSlices::planned(
                    scope: $scope,
                    figures: $figures,
                    content: $content,
                    breakdown: $breakdown,
                    where: $where,
                    isNet: $isNet,
                );

        $arePeriods = null === $members && !$scope->question->isWhole();

        return new self(
            $scope,
            $figures,
            $members,
            $arePeriods ? PeriodSlices::planned($scope, $scope->question->grain() ?? $scope->dataset->grain) : null,
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     * @param ?Landing $landing put at the end, where rows are periods
     *
     * @return list<Slice>
     */
    public function of(array $where, ?Landing $landing = null): array
    {
        if (null !== $this->members) {
            return $this->members->of($where);
        }
        $sums = $this->figures->sums($this->scope->sources, $where);
        if (null === $this->periods) {
            return [$this->whole($sums)];
        }
        $slices = $this->periods->of($sums);

        return null === $landing ? $slices : [...$slices, $landing->slice($sums)];
    }

    /** All that the question is about, as one row. */
    private function whole(Sums $sums): Slice
    {
        return new Slice(
            key: RowKey::row(self::WHOLE),
            label: $this->scope->measure->name,
            name: $this->scope->measure->name,
            role: RowRole::Row,
            fine: $this->scope->fine,
            own: $this->scope->fine,
            sums: $sums,
        );
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
        if (null !== $this->members) {
            return $this->members->sums($slices, $where);
        }
        $sums = $this->figures->sums($this->scope->sources, $where);

        return array_map(static fn (): Sums => $sums, $slices);
    }

    /** All periods that rows are made of: those of the question, and of running totals those before them. */
    public function reach(): FinePeriods
    {
        return $this->periods?->reach() ?? $this->scope->fine;
    }

    /** Figures whose sum is the result of the lines that rows are; null: rows are no such lines. */
    public function maybeNet(): ?NetFigures
    {
        return $this->members?->maybeNet();
    }

    /** Whether the sum of all rows says anything: of lines that add and lines that take away it does not. */
    public function hasTotal(): bool
    {
        return null === $this->members || $this->members->hasTotal();
    }
}

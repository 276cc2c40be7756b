<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Time\Grain;

/** The rows of a question before anything is compared: periods, or members of a breakdown; the same ones in each of its charts. */
final readonly class Slices
{
    private function __construct(private Scope $scope, private Figures $figures, private ?MemberSlices $members)
    {
    }

    /** @param list<MemberFilter|NumberFilter> $where that has whatever rows there may be */
    public static function planned(Scope $scope, Figures $figures, array $where): self
    {
        $name = $scope->question->breakdown();
        $dimension = null === $name ? null : $scope->dataset->maybeBreakdown($name);

        return new self($scope, $figures, null === $dimension ? null : MemberSlices::planned($scope, $figures, $dimension, $where));
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     * @param bool                            $lands with the year's landing at the end, where rows are periods
     *
     * @return list<Slice>
     */
    public function of(array $where, bool $lands = false): array
    {
        if (null !== $this->members) {
            return $this->members->of($where);
        }
        $sums = $this->figures->sums($this->scope->sources, $where);
        $slices = PeriodSlices::of($this->scope, $this->scope->question->grain() ?? Grain::Month, $sums);

        return $lands ? [...$slices, PeriodSlices::landing($this->scope, $sums)] : $slices;
    }

    /** Whether the sum of all rows says anything: of lines that add and lines that take away it does not. */
    public function hasTotal(): bool
    {
        return null === $this->members || $this->members->hasTotal();
    }
}

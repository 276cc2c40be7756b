<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Workings\Arithmetic\Amounts;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\MeasureCoverage;

/** Opening and closing values that the figures state themselves, in a measure of their own. */
final readonly class StatedBalance
{
    private Amounts $amounts;
    private Comparison $comparison;

    /**
     * @param FinePeriods $before the span
     * @param FinePeriods $through the span, from the first figure on
     */
    public function __construct(
        private WaterfallScope $of,
        private Measure $measure,
        private FinePeriods $before,
        private FinePeriods $through,
    ) {
        $scope = $of->scope;
        $coverage = new MeasureCoverage(
            $measure, $of->raw->sums($measure->sources(), []), $scope->dataset, $scope->closing, $scope->open,
        );
        $this->amounts = new Amounts($measure, $coverage);
        $this->comparison = new Comparison(
            measure: $measure,
            coverage: $coverage,
            scenario: $scope->question->scenario,
            forecast: $scope->question->forecast,
            against: [],
            closing: $scope->closing,
        );
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return BigDecimal|Fraction|null null where none is stated
     */
    public function opening(array $where): BigDecimal|Fraction|null
    {
        return $this->last($this->before, $where);
    }

    /**
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return BigDecimal|Fraction|null null where none is stated
     */
    public function closing(array $where): BigDecimal|Fraction|null
    {
        return $this->last($this->through, $where);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    private function last(FinePeriods $fine, array $where): BigDecimal|Fraction|null
    {
        return $this->amounts->together(
            $this->comparison->plan($fine)->shown(), $this->of->raw->sums($this->measure->sources(), $where),
        );
    }
}

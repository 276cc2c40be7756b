<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\CellFigures;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\Rounding;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Workings\Arithmetic\Amounts;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\MeasureCoverage;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Rows\Scope;

/**
 * A waterfall's question set on its figures. Of a statement, whose lines add and take away, the figures bear the sign
 * of what their lines do, so that a cost saved is a step up.
 */
final readonly class WaterfallScope
{
    public Amounts $amounts;
    public MeasureCoverage $coverage;

    /**
     * @param Figures $raw as they came
     * @param ?NetFigures $net null: no statement
     */
    private function __construct(
        public Scope $scope,
        public Measure $measure,
        public Figures $figures,
        public Figures $raw,
        public ?NetFigures $net,
        public Better $better,
    ) {
        $this->coverage = new MeasureCoverage(
            $measure, $raw->sums($scope->sources, []), $scope->dataset, $scope->closing, $scope->open,
        );
        $this->amounts = new Amounts($measure, $this->coverage);
    }

    /** @param Question $question with the scenario that the waterfall ends at */
    public static function of(Question $question, Measure $measure, Figures $figures): self
    {
        $scope = Scope::of($question, $figures->dataset(), $measure, $measure->sources());
        $lines = self::maybeNetLines($question, $measure, $figures->dataset());
        $net = null === $lines ? null : new NetFigures($figures, $lines);

        return new self(
            scope: $scope,
            measure: $measure,
            figures: null === $net ? CellFigures::of($figures, $measure) : new MemoizedFigures($net),
            raw: $figures,
            net: $net,
            better: null === $net ? $scope->better : $question->better ?? $measure->better(),
        );
    }

    /** The lines of a statement whose signs matter: those that the steps are, too. Null: there are none. */
    private static function maybeNetLines(Question $question, Measure $measure, Dataset $dataset): ?Breakdown
    {
        $lines = $measure->isAddedOverMembers() ? NetFigures::maybeLines($dataset) : null;

        if ($question->bridge instanceof Between && $question->bridge->field === $lines?->name) {
            return null;
        }

        return null !== $lines && $question->breakdown() === $lines->name
            ? $lines
            : NetLines::maybe($question, $measure, $dataset);
    }

    /** @return list<Scenario> whose figures may be looked up: all of them, as totals and steps are of several */
    public function scenarios(): array
    {
        return $this->scope->dataset->coverage->scenarios();
    }

    /** @param list<Scenario> $against what is shown is held against */
    public function comparison(array $against = []): Comparison
    {
        $question = $this->scope->question;

        return new Comparison(
            measure: $this->measure,
            coverage: $this->coverage,
            scenario: $question->scenario,
            forecast: $question->forecast,
            against: $against,
            closing: $this->scope->closing,
            flag: $question->flag,
        );
    }

    /**
     * Null where neither side has a figure; of what is not added up over members, where one of them has none.
     */
    public function variance(BigDecimal|Fraction|null $shown, BigDecimal|Fraction|null $reference): ?Variance
    {
        $flag = $this->scope->question->flag;

        return $this->measure->isAddedOverMembers()
            ? Variance::maybeOrNothing(
                shown: $shown,
                reference: $reference,
                better: $this->better,
                flag: $flag,
                inPoints: $this->measure->isInPercent(),
                rounding: $this->rounding(),
                only: [],
            )
            : Variance::maybe(
                shown: $shown,
                reference: $reference,
                better: $this->better,
                flag: $flag,
                inPoints: $this->measure->isInPercent(),
                rounding: $this->rounding(),
            );
    }

    public function rounding(): Rounding
    {
        return $this->amounts->rounding();
    }
}

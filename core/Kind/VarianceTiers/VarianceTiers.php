<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\VarianceTiers;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Tier\PinTier;
use KeenMargin\Core\Chart\Tier\VarianceTier;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\ComparisonKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\LabelPosition;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;

/** Relative variance as pins, variance as bars, values with the reference behind them: three tiers on one axis. */
final readonly class VarianceTiers extends ComparisonKind
{
    public function id(): string
    {
        return 'variance-tiers';
    }

    public function name(): string
    {
        return 'Variance tiers';
    }

    public function says(): string
    {
        return 'Values, their variance and its percentage, row by row';
    }

    /** It needs no reference: without one it shows the values alone. */
    public function lacks(Dataset $dataset): ?string
    {
        return $dataset->isTimeless() && [] === $dataset->breakdowns ? 'The figures have no periods.' : null;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return $question;
    }

    public function options(): array
    {
        return ['labelsAt', 'variance', 'sameLength', 'limit', 'cut', 'turn'];
    }

    public function usualVariance(): VarianceForm
    {
        return VarianceForm::Both;
    }

    public function glyph(): array
    {
        $marks = [];
        foreach ([[3.0, 12.0], [10.0, 9.0], [17.0, 11.0]] as [$x, $y]) {
            $marks[] = new Rect($x, $y, 5.0, 20.0 - $y, Ink::Ink->value);
        }
        $pins = [[4.0, 5.0, Ink::Favourable], [11.0, 1.0, Ink::Favourable], [18.0, 5.0, Ink::Unfavourable]];
        foreach ($pins as [$x, $y, $ink]) {
            $marks[] = new Rect($x, $y, 3.0, 3.0, $ink->value);
        }

        return $marks;
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $reference = $workings->table->reference();
        $second = $workings->table->references[1] ?? null;
        $inPoints = $workings->context->display->inPoints;
        $form = $finish->variance ?? $this->usualVariance();
        $cut = TotalsCut::of($workings, $finish);
        $explanations = null === $second ? [] : ["{$second->short} marked"];

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(
                static fn (array $rows): array => array_values(
                    array_filter([
                        null === $reference || $inPoints || !$form->hasPercent()
                            ? null
                            : PinTier::of($workings, $rows, $reference, $finish->limit),
                        null === $reference || !($form->hasAmount() || $inPoints)
                            ? null
                            : new VarianceTier($workings, $rows, $reference, $finish->sameLength),
                        new ValueTier($workings, $rows, $cut, LabelPosition::Inside === $finish->labelsAt),
                    ]),
                ),
                SeriesKey::comparison($workings),
                $explanations,
            ),
        );
    }
}

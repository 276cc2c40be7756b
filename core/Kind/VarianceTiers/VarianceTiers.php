<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\VarianceTiers;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\LabelPosition;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** Relative variance as pins, variance as bars, values with the reference behind them: three tiers on one axis. */
final readonly class VarianceTiers implements ChartKind
{
    public function id(): string
    {
        return 'variance-tiers';
    }

    public function name(): string
    {
        return 'Variance tiers';
    }

    public function group(): string
    {
        return 'Against';
    }

    public function says(): string
    {
        return 'Values, their variance and its percentage, row by row';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $reference = $workings->reference();
        $form = $finish->variance ?? VarianceForm::Both;
        $cut = TotalsCut::of($workings, $finish);
        $second = $workings->references[1] ?? null;

        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => array_values(
                array_filter([
                    null === $reference || $workings->display->inPoints || !$form->hasPercent()
                        ? null
                        : PinTier::of($workings, $rows, $reference, $finish->limit),
                    null === $reference || !($form->hasAmount() || $workings->display->inPoints)
                        ? null
                        : new VarianceTier($workings, $rows, $reference, $finish->sameLength),
                    new ValueTier($workings, $rows, $cut, LabelPosition::Inside === $finish->labelsAt),
                ]),
            ),
            SeriesKey::comparison($workings),
            null === $second ? [] : ["{$second->short} marked"],
        );
    }
}

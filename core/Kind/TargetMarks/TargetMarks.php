<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\TargetMarks;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\TargetMark;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** Columns with the target marked at its height. */
final readonly class TargetMarks implements ChartKind
{
    public function id(): string
    {
        return 'target-marks';
    }

    public function name(): string
    {
        return 'Target marks';
    }

    public function group(): string
    {
        return 'Against';
    }

    public function says(): string
    {
        return 'Each value with its target as a mark, hit or missed';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $cut = TotalsCut::of($workings, $finish);
        $reference = $workings->reference();
        $marks =
            null === $reference
                ? []
                : [
                    (TargetMark::Tick === $finish->mark ? 'a tick marks ' : 'a dot marks ').
                    $reference->short.
                    ', paler ones miss it',
                ];

        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => [
                new TargetTier($workings, $rows, $finish->mark, $finish->variance ?? VarianceForm::Amount, $cut),
            ],
            SeriesKey::comparison($workings, $finish->mark->value, null),
            $marks,
        );
    }
}

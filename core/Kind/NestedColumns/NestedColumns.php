<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\NestedColumns;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** A narrow value inside a wide reference. */
final readonly class NestedColumns implements ChartKind
{
    public function id(): string
    {
        return 'nested-columns';
    }

    public function name(): string
    {
        return 'Nested columns';
    }

    public function group(): string
    {
        return 'Against';
    }

    public function says(): string
    {
        return 'Each value inside its reference, the variance above';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $cut = TotalsCut::of($workings, $finish);

        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => [
                new NestedTier($workings, $rows, $finish->variance ?? VarianceForm::Amount, $finish->gap, $cut),
            ],
            SeriesKey::comparison($workings, 'bar', null),
        );
    }
}

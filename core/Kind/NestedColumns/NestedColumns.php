<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\NestedColumns;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Kind\ComparisonKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;

/** A narrow value inside a wide reference. */
final readonly class NestedColumns extends ComparisonKind
{
    public function id(): string
    {
        return 'nested-columns';
    }

    public function name(): string
    {
        return 'Nested columns';
    }

    public function says(): string
    {
        return 'Each value inside its reference, the variance above';
    }

    public function options(): array
    {
        return ['variance', 'gap', 'cut', 'turn'];
    }

    public function glyph(): array
    {
        [$ink, $paper] = [Ink::Ink->value, Ink::Panel->value];

        return [
            new Rect(x: 2.5, y: 4.5, width: 9.0, height: 15.0, fill: $paper, stroke: $ink),
            new Rect(5.0, 7.0, 4.0, 13.0, $ink),
            new Rect(x: 14.5, y: 7.5, width: 9.0, height: 12.0, fill: $paper, stroke: $ink),
            new Rect(17.0, 2.0, 4.0, 18.0, $ink),
        ];
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $cut = TotalsCut::of($workings, $finish);
        $form = $finish->variance ?? $this->usualVariance();

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(
                static fn (array $rows): array => [new NestedTier($workings, $rows, $form, $finish->gap, $cut)],
                SeriesKey::comparison($workings, 'bar', null),
            ),
        );
    }
}

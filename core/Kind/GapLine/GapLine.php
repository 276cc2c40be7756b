<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\GapLine;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** Values and reference as lines, and the gap between them. */
final readonly class GapLine implements ChartKind
{
    public function id(): string
    {
        return 'gap-line';
    }

    public function name(): string
    {
        return 'Gap line';
    }

    public function group(): string
    {
        return 'Against';
    }

    public function says(): string
    {
        return 'Two lines and the gap between them, for up to 60 periods';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => [
                new LineTier($workings, $rows, $finish->variance ?? VarianceForm::Percent),
            ],
            [],
            [],
            false,
        );
    }
}

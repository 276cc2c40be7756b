<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Workings;

/** Two members held against each other, group by group. */
final readonly class HatGraph implements ChartKind
{
    public function id(): string
    {
        return 'hat';
    }

    public function name(): string
    {
        return 'Hat graph';
    }

    public function group(): string
    {
        return 'Between';
    }

    public function says(): string
    {
        return 'From one member to another, in each group or period';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $cut = TotalsCut::of($workings, $finish);
        $second =
            null === $workings->between || '' === $workings->between->second ? '(blank)' : $workings->between->second;

        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => [
                new HatTier($workings, $rows, $finish->variance ?? VarianceForm::Amount, $cut),
            ],
            [],
            ["from {$workings->reference()?->short} (the line) to $second (the block)"],
        );
    }
}

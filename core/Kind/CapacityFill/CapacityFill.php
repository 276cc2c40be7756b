<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** How much of a capacity is used, and the rate above it. */
final readonly class CapacityFill implements ChartKind
{
    public function id(): string
    {
        return 'capacity-fill';
    }

    public function name(): string
    {
        return 'Capacity fill';
    }

    public function group(): string
    {
        return 'How full';
    }

    public function says(): string
    {
        return 'What is used of what there is, and the rate against its target';
    }

    public function scene(Workings $workings, Finish $finish): Scene
    {
        $cut = TotalsCut::of($workings, $finish);
        $hasTarget =
            [] !==
            array_filter($workings->rows, static fn (Row $row): bool => null !== ($row->values['target'] ?? null));
        $keys = [
            SeriesKey::bar('total', Style::scenario(Scenario::Budget)),
            ...$hasTarget ? [SeriesKey::shaped('target', 'tick', Ink::Ink)] : [],
            SeriesKey::bar('used', Style::scenario(Scenario::Actual), true),
        ];

        return TierChart::scene(
            $workings,
            $finish,
            static fn (array $rows): array => [new RateTier($workings, $rows), new FillTier($workings, $rows, $cut)],
            $keys,
            $workings->marks,
        );
    }
}

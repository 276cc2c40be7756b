<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bullet;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\TargetedKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** How near each value is to its target, with the bands that it is judged by behind it. */
final readonly class Bullet extends TargetedKind
{
    public function id(): string
    {
        return 'bullet';
    }

    public function name(): string
    {
        return 'Bullet';
    }

    public function says(): string
    {
        return 'Each value on its way to its target, before bands of how good it is';
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return [] !== TargetedRows::bandMeasures($dataset);
    }

    public function options(): array
    {
        return ['scale', 'turn'];
    }

    public function glyph(): array
    {
        $marks = [];
        foreach ([[3.0, 15.0, 17.0], [13.0, 19.0, 15.0]] as [$y, $value, $target]) {
            array_push(
                $marks,
                new Rect(1.0, $y, 13.0, 7.0, Ink::Band1->value),
                new Rect(14.0, $y, 9.0, 7.0, Ink::Band3->value),
                new Rect(1.0, $y + 2.0, $value, 3.0, Ink::Ink->value),
                new Rect(1.0 + $target, $y + 0.5, 1.6, 6.0, Ink::Ink->value),
            );
        }

        return $marks;
    }

    public function scaleWords(): string
    {
        return 'One scale for all values';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $tiers = static fn (array $rows): array => [new BulletTier(
            $workings,
            array_values(array_filter($rows, static fn (mixed $row) => $row instanceof Row)),
            $finish->scale,
        )];

        return TierChart::frame($workings, $finish, $options, new TierPlan($tiers));
    }
}

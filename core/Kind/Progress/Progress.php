<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Progress;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Kind\GoalKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Rows on their way to a goal each, in percent of it, with the pace. */
final readonly class Progress extends GoalKind
{
    public function id(): string
    {
        return 'progress';
    }

    public function name(): string
    {
        return 'Progress list';
    }

    public function says(): string
    {
        return 'How much of its goal, or of the total, each row has reached';
    }

    public function options(): array
    {
        return [];
    }

    public function glyph(): array
    {
        $marks = [];
        foreach ([[2.0, 17.0], [9.0, 11.0], [16.0, 6.0]] as [$y, $value]) {
            array_push(
                $marks,
                new Rect(
                    x: 1.5,
                    y: $y + 0.5,
                    width: 22.0,
                    height: 3.5,
                    fill: Ink::Panel->value,
                    stroke: Ink::PriorYear->value,
                ),
                new Rect(1.0, $y, $value, 4.5, Ink::Ink->value),
            );
        }
        $marks[] = new Line(x1: 14.5, y1: 0.5, x2: 14.5, y2: 21.5, stroke: Ink::Accent->value, thickness: 1.2);

        return $marks;
    }

    public function scaleWords(): string
    {
        return 'One scale for all rows: percent of their goals';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $tiers = static fn (array $rows): array => [new ProgressTier(
            $workings,
            array_values(array_filter($rows, static fn (mixed $row) => $row instanceof Row)),
        )];

        $paced = array_filter(
            $workings->table->rows,
            static fn (Row $row): bool => null !== ($row->values[GoalNumbers::PACE] ?? null),
        );

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan($tiers, mayTurn: false, isHorizontal: true, below: [] === $paced ? 0.0 : ProgressTier::BELOW),
        );
    }
}

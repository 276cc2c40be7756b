<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\TargetMarks;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Kind\ComparisonKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\TargetMark;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;

/** Columns with the target marked at its height. */
final readonly class TargetMarks extends ComparisonKind
{
    public function id(): string
    {
        return 'target-marks';
    }

    public function name(): string
    {
        return 'Target marks';
    }

    public function says(): string
    {
        return 'Each value with its target as a mark, hit or missed';
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return self::compared($question, $dataset, [Scenario::Target]);
    }

    public function options(): array
    {
        return ['variance', 'mark', 'cut', 'turn'];
    }

    public function glyph(): array
    {
        $ink = Ink::Ink->value;

        return [
            new Rect(4.0, 8.0, 6.0, 12.0, Ink::Missed->value),
            new Rect(1.5, 4.0, 11.0, 2.4, $ink),
            new Rect(16.0, 5.0, 6.0, 15.0, $ink),
            new Rect(13.5, 9.0, 11.0, 3.6, Ink::Panel->value),
            new Rect(13.5, 9.6, 11.0, 2.4, $ink),
        ];
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $cut = TotalsCut::of($workings, $finish);
        $form = $finish->variance ?? $this->usualVariance();
        $reference = $workings->table->reference();
        $mark = TargetMark::Tick === $finish->mark ? 'a tick' : 'a dot';
        $explanations = null === $reference ? [] : ["$mark marks {$reference->short}, paler ones miss it"];

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(
                static fn (array $rows): array => [new TargetTier($workings, $rows, $finish->mark, $form, $cut)],
                SeriesKey::comparison($workings, $finish->mark->value, null),
                $explanations,
            ),
        );
    }
}

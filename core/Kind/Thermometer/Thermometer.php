<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Thermometer;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\GoalKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;

/** A value that grows towards its goal in a tube, with milestones, pace and what it is put together of. */
final readonly class Thermometer extends GoalKind
{
    public function id(): string
    {
        return 'thermometer';
    }

    public function name(): string
    {
        return 'Thermometer';
    }

    public function says(): string
    {
        return 'What has come in on the way to a goal, and when that will be reached';
    }

    /** A question over time becomes one of all together: what came in stands in one tube. */
    public function adapted(Question $question, Dataset $dataset): Question
    {
        return RowChoices::together(parent::adapted($question, $dataset));
    }

    public function options(): array
    {
        return ['scale'];
    }

    public function glyph(): array
    {
        return [
            new Rect(x: 8.5, y: 1.5, width: 7.0, height: 18.0, fill: Ink::Panel->value, stroke: Ink::PriorYear->value),
            new Rect(8.0, 10.0, 8.0, 10.0, Ink::Ink->value),
            new Line(x1: 6.0, y1: 4.0, x2: 18.0, y2: 4.0, stroke: Ink::Ink->value, thickness: 1.6),
            new Line(x1: 5.0, y1: 8.0, x2: 8.0, y2: 8.0, stroke: Ink::Accent->value, thickness: 1.4),
        ];
    }

    public function scaleWords(): string
    {
        return 'One scale for all values and goals';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        return (new Tubes($workings, $finish, $options))->frame();
    }

    protected function layers(Goal $goal): array
    {
        $text = null === $goal->layers ? 'as a whole' : 'by '.Wording::withinSentence($goal->layers);

        return [new SentencePart(', filled '), new SentencePart($text, 'layers')];
    }
}

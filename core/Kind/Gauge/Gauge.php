<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Gauge;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\TargetedKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Workings\Result\Workings;

/** One value, or a few, on half rings: how far along each is, and where its target lies. */
final readonly class Gauge extends TargetedKind
{
    public function id(): string
    {
        return 'gauge';
    }

    public function name(): string
    {
        return 'Gauge';
    }

    public function says(): string
    {
        return 'One value, or a few, on half rings with target and bands';
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    /** A question over time becomes one of all together: a ring for each period says little. */
    public function adapted(Question $question, Dataset $dataset): Question
    {
        return RowChoices::together(parent::adapted($question, $dataset));
    }

    public function options(): array
    {
        return ['ends'];
    }

    public function glyph(): array
    {
        $arc = static fn (float $inner, float $outer, float $from, float $to, Ink $ink): Path => (new Arc(
            x: 13.0, y: 17.0, inner: $inner, outer: $outer, from: $from, to: $to, fill: $ink->value,
        ))->path();

        return [
            $arc(6.5, 12.0, 0.0, 110.0, Ink::Band1),
            $arc(6.5, 12.0, 110.0, 180.0, Ink::Band3),
            $arc(8.2, 10.6, 0.0, 125.0, Ink::Ink),
            $arc(5.5, 13.0, 143.0, 148.0, Ink::Ink),
        ];
    }

    public function scaleWords(): string
    {
        return 'One scale for all values';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        return (new Gauges($workings, $finish, $options))->frame();
    }
}

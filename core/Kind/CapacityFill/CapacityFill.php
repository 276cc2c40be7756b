<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Chart\Frame\TierChart;
use KeenMargin\Core\Chart\Frame\TierPlan;
use KeenMargin\Core\Chart\Part\SeriesKey;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
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

    public function lacks(Dataset $dataset): ?string
    {
        return (new CapacityQuestion($dataset))->lacks();
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        return false;
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return (new CapacityQuestion($dataset))->adapted($question);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        (new CapacityQuestion($dataset))->measures($question);
    }

    public function required(): array
    {
        return ['used', 'unused', 'total'];
    }

    public function rows(Question $question): RowChoices
    {
        return new RowChoices();
    }

    /** `How full was deck space used of deck space offered, for … , in … , against target` */
    public function words(Question $question, Measure $measure): QuestionWords
    {
        $scenario = $question->against[0] ?? null;
        $target = $question->target?->number;
        $rate = null === $target ? null : "a rate of {$target->toString()} %";
        $against = Wording::and(array_values(array_filter([$scenario?->word(), $rate])));

        return new QuestionWords(
            [new SentencePart('How full was '), new SentencePart(self::parts($question), 'capacity')],
            ', for ',
            ', in ',
            [new SentencePart(', against '), new SentencePart('' === $against ? 'nothing yet' : $against, 'target')],
        );
    }

    public function options(): array
    {
        return ['cut', 'turn'];
    }

    public function usualVariance(): ?VarianceForm
    {
        return null;
    }

    public function glyph(): array
    {
        $rate = [[2.0, 5.0], [9.0, 3.0], [16.0, 4.0], [24.0, 1.0]];
        $marks = [new Path($rate, null, Ink::Quiet->value, 1.4)];
        foreach ([[2.0, 12.0], [10.0, 14.0], [18.0, 10.0]] as [$x, $y]) {
            $marks[] = new Rect(
                x: $x + 0.5, y: 7.5, width: 5.0, height: 12.0, fill: Ink::Panel->value, stroke: Ink::Ink->value,
            );
            $marks[] = new Rect($x, $y, 6.0, 20.0 - $y, Ink::Ink->value);
        }

        return $marks;
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return CapacityWorkings::of($recipe, $figures);
    }

    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array
    {
        return [];
    }

    public function rowWriter(): RowWriter
    {
        return new CapacityRowWriter();
    }

    public function scaleWords(): string
    {
        return 'One scale for used and total';
    }

    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame
    {
        $cut = TotalsCut::of($workings, $finish);
        $hasTarget = static fn (Row $row): bool => null !== ($row->values['target'] ?? null);
        $keys = [
            SeriesKey::bar('total', Style::scenario(Scenario::Budget)),
            ...[] === array_filter($workings->table->rows, $hasTarget)
                ? []
                : [SeriesKey::shaped('target', 'tick', Ink::Ink)],
            SeriesKey::bar('used', Style::scenario(Scenario::Actual), true),
        ];

        return TierChart::frame(
            $workings,
            $finish,
            $options,
            new TierPlan(
                static fn (array $rows): array => [
                    new RateTier($workings, $rows), new FillTier($workings, $rows, $cut),
                ],
                $keys,
                $workings->context->explanations,
            ),
        );
    }

    /** `deck space used of deck space offered` */
    private static function parts(Question $question): string
    {
        $told = $question->capacity?->told() ?? [];
        $part = Wording::withinSentence($told['used'] ?? ($told['unused'] ?? ''));
        $of = isset($told['total'])
            ? ' of '.Wording::withinSentence($told['total'])
            : ' besides '.Wording::withinSentence($told['unused'] ?? '');

        return $part.$of.(isset($told['used']) ? '' : ' (not used)');
    }
}

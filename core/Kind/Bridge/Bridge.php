<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bridge;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Kind\WaterfallKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowChoices;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\ListWorkings;

/** From one total to another by the steps between: scenarios, spans of time, members. */
final readonly class Bridge extends WaterfallKind
{
    public function id(): string
    {
        return 'bridge';
    }

    public function name(): string
    {
        return 'Bridge waterfall';
    }

    public function says(): string
    {
        return 'From one total to another, step by step';
    }

    public function lacks(Dataset $dataset): ?string
    {
        return parent::lacks($dataset) ?? (new BridgeQuestion($dataset))->lacks();
    }

    public function isFirstFor(Dataset $dataset): bool
    {
        $roles = GivenList::maybe($dataset)->roles ?? [];

        return \in_array(StepRole::Start, $roles, true);
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return (new BridgeQuestion($dataset))->adapted($question);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        (new BridgeQuestion($dataset))->insist($question);
    }

    public function required(): array
    {
        return ['bridge'];
    }

    public function rows(Question $question): RowChoices
    {
        $taken = $question->bridge instanceof Between ? $question->bridge->field : null;

        return new RowChoices(taken: $taken, isWaterfall: true, canOrder: null === $question->drivers);
    }

    public function words(Question $question, Measure $measure): QuestionWords
    {
        $bridge = $question->bridge;

        return new QuestionWords(
            QuestionWords::howDid($measure),
            ' of ',
            $bridge instanceof PeriodBridge ? '' : ' in ',
            [new SentencePart(' get '), new SentencePart(BridgeWords::of($bridge), 'bridge')],
            $bridge instanceof Between ? $bridge->field : null,
        );
    }

    public function glyph(): array
    {
        return [
            new Rect(1.0, 7.0, 4.0, 13.0, Ink::Ink->value),
            new Rect(7.0, 3.0, 4.0, 4.0, Ink::Favourable->value),
            new Rect(13.0, 3.0, 4.0, 7.0, Ink::Unfavourable->value),
            new Rect(19.0, 10.0, 4.0, 10.0, Ink::Ink->value),
        ];
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return ListWorkings::maybe($recipe, $figures) ?? BridgeWorkings::of($recipe, $figures);
    }

    protected function usualColours(): StepColours
    {
        return StepColours::Effect;
    }

    protected function shareColumn(): string
    {
        return Explained::OF_SIGN;
    }
}

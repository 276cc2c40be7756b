<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\BuildUp;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Kind\WaterfallKind;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish\StepColours;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Question\Waterfall\StepRole;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\ListWorkings;
use KeenMargin\Core\Workings\Waterfall\StepsFit;

/** What a total is made of, member by member or period by period. */
final readonly class BuildUp extends WaterfallKind
{
    public function id(): string
    {
        return 'build-up';
    }

    public function name(): string
    {
        return 'Build-up waterfall';
    }

    public function says(): string
    {
        return 'What a total is made of, with each one’s share';
    }

    /** A list that states its end and no start; with a start it is a bridge. */
    public function isFirstFor(Dataset $dataset): bool
    {
        $list = GivenList::maybe($dataset);

        return null !== $list && [] !== $list->sums() && !\in_array(StepRole::Start, $list->roles, true);
    }

    public function adapted(Question $question, Dataset $dataset): Question
    {
        return With::of($question, ['cumulate' => null, 'landing' => false]);
    }

    public function insist(Question $question, Dataset $dataset): void
    {
        StepsFit::insist($question, $dataset, false);
    }

    public function words(Question $question, Measure $measure): QuestionWords
    {
        return new QuestionWords(
            [new SentencePart('What does '), new SentencePart(Wording::withinSentence($measure->name), 'measure')],
            ' of ',
            ' in ',
            [new SentencePart(' consist of')],
        );
    }

    public function glyph(): array
    {
        return [
            new Rect(1.0, 13.0, 4.0, 7.0, Ink::Rise->value),
            new Rect(7.0, 8.0, 4.0, 5.0, Ink::Rise->value),
            new Rect(13.0, 3.0, 4.0, 5.0, Ink::Rise->value),
            new Rect(19.0, 3.0, 4.0, 17.0, Ink::Ink->value),
        ];
    }

    public function workings(Recipe $recipe, Figures $figures): Workings
    {
        return ListWorkings::maybe($recipe, $figures) ?? BuildUpWorkings::of($recipe, $figures);
    }

    protected function usualColours(): StepColours
    {
        return StepColours::Sign;
    }

    protected function shareColumn(): string
    {
        return Explained::OF_TOTAL;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Http\Contract\Charts\KindJson;
use KeenMargin\App\Http\Contract\Charts\RowChoicesJson;
use KeenMargin\App\Http\Figures\DatasetState;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Kind\ChartKind;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\FirstQuestion;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Sentence\QuestionSentence;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Checks\StaleNumber;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Sentence;

/** A drawing as the page needs it: every number already written out. */
final class DrawingState
{
    /** @return array<string, mixed> */
    public static function of(Recipe $recipe, Drawing $drawing, Dataset $dataset, ChartKinds $kinds): array
    {
        $workings = $drawing->workings;
        $context = $workings->context;
        $message = $recipe->finish->message;
        $sentence = QuestionSentence::of($recipe, $dataset, $context->measure(), $context->better, $context->range);

        return [
            'recipe' => RecipeWriter::toArray($recipe),
            'sentence' => array_map(static fn (SentencePart $part): array => $part->toArray(), $sentence),
            'better' => $workings->context->better->value,
            'closing' => DatasetState::step($dataset, $workings->context->closing),
            'scene' => $drawing->scene->toArray(),
            'summary' => [
                'headline' => $workings->summary->headline,
                'moves' => $workings->summary->moves,
                'movers' => $workings->summary->movers,
                'sentences' => array_map(
                    static fn (Sentence $sentence): array => $sentence->toArray(),
                    $workings->summary->sentences,
                ),
            ],
            'checks' => array_map(static fn (Check $check): array => $check->toArray(), $drawing->checks()),
            'workings' => WorkingsState::of($workings, $drawing->scene->rows),
            'kinds' => self::kinds($recipe, $kinds, $dataset),
            'stale' => array_map(
                static fn (StaleNumber $one): array => $one->toArray(),
                null === $message ? [] : MessageCheck::stale($message, $workings),
            ),
        ];
    }

    /**
     * Every kind, with what the figures lack for it and the question that it would ask.
     *
     * @return list<KindJson>
     */
    private static function kinds(Recipe $recipe, ChartKinds $kinds, Dataset $dataset): array
    {
        return array_map(static function (ChartKind $kind) use ($recipe, $dataset): KindJson {
            $lacks = $kind->lacks($dataset);
            $rows = $kind->rows($recipe->question);
            $asked = $recipe->question;
            $needsRows = $asked->isWhole() && !$rows->canBeWhole;
            $asked = $needsRows ? $asked->asking(by: FirstQuestion::rows($dataset)) : $asked;
            $adapted = null === $lacks ? $kind->adapted($asked, $dataset) : null;

            return new KindJson(
                id: $kind->id(),
                name: $kind->name(),
                group: $kind->group(),
                says: $kind->says(),
                glyph: array_map(static fn (Mark $mark): array => $mark->toArray(), $kind->glyph()),
                lacks: $lacks,
                question: null === $adapted ? null : RecipeWriter::question($adapted),
                rows: new RowChoicesJson(
                    hasMembers: $rows->hasMembers,
                    taken: $rows->taken,
                    canLand: $rows->canLand,
                    isWaterfall: $rows->isWaterfall,
                    canOrder: $rows->canOrder,
                    canBeWhole: $rows->canBeWhole,
                ),
                options: $kind->options(),
                usualVariance: $kind->usualVariance()?->value,
            );
        }, $kinds->list());
    }
}

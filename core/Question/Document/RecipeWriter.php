<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;

/** Writes a recipe as the JSON document that RecipeReader reads; what is left to its default is left out. */
final class RecipeWriter
{
    /** @return array<string, mixed> */
    public static function toArray(Recipe $recipe): array
    {
        return Entries::present([
            'keenMargin' => Recipe::VERSION,
            'question' => self::question($recipe->question),
            'kind' => $recipe->kind->id(),
            'finish' => Shape::of(Finish::class)->write($recipe->finish),
        ]);
    }

    /** @return array<string, mixed> */
    public static function question(Question $question): array
    {
        return Entries::present([
            'measure' => $question->measure,
            'scenario' => $question->scenario->value,
            'forecast' => $question->forecast?->value,
            'against' => array_map(static fn (Scenario $scenario): string => $scenario->value, $question->against),
            'by' => $question->grain()->value ?? $question->breakdown(),
            'span' => null === $question->span ? null : PartWriter::span($question->span),
            'closedThrough' => $question->closedThrough?->key(),
            'where' => array_map(self::filter(...), $question->where),
            'better' => $question->better?->value,
            'flag' => self::flag($question->flag),
            'order' => $question->order?->value,
            'cumulate' => $question->cumulate?->value,
            'top' => $question->top,
            'each' => $question->each,
            'between' => null === $question->between ? null : PartWriter::between($question->between),
            ...$question->capacity?->told() ?? [],
            'target' => NearWriter::target($question->target),
            'bands' => NearWriter::bands($question->bands),
            ...GoalReader::toArray($question->goal),
            'columns' => TableReader::toArray($question->columns),
            'sort' => TableReader::sort($question->sort),
            'sequence' => $question->sequence,
            'landing' => $question->landing ?: null,
            'proRata' => $question->isProRata ?: null,
            ...WaterfallWriter::toArray($question),
        ]);
    }

    /** @return array<string, mixed> */
    public static function flag(Flag $flag): array
    {
        return Entries::present(['percent' => $flag->percent?->toString(), 'amount' => $flag->amount?->toString()]);
    }

    /** @return array<string, mixed> */
    public static function filter(MemberFilter|NumberFilter $filter): array
    {
        return $filter instanceof NumberFilter
            ? Entries::present([
                'field' => $filter->field,
                'below' => $filter->below?->toString(),
                'atLeast' => $filter->atLeast?->toString(),
            ])
            : ['field' => $filter->breakdown, $filter->keeps ? 'in' : 'notIn' => $filter->members];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Kinds;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;

/** Reads a recipe from JSON; refuses, with its path, whatever is not known. */
final class RecipeReader
{
    /**
     * @param FiscalCalendar $calendar of the dataset, which periods such as FY2026 are meant in
     *
     * @throws NotAccepted
     */
    public static function json(string $json, Kinds $kinds, FiscalCalendar $calendar = new FiscalCalendar()): Recipe
    {
        return self::read(Given::json($json), $kinds, $calendar);
    }

    /** @throws NotAccepted */
    public static function read(Given $given, Kinds $kinds, FiscalCalendar $calendar = new FiscalCalendar()): Recipe
    {
        $given->object(['keenMargin', 'question', 'kind', 'finish', 'figures']);
        $given->must('keenMargin')->int(Recipe::VERSION, Recipe::VERSION);
        $finish = $given->maybe('finish');
        $figures = $given->maybe('figures')?->object(MappingReader::KEYS);
        $firstMonth = $figures?->maybe('fiscalYearStarts')?->int(1, 12);
        $calendar = null === $firstMonth ? $calendar : new FiscalCalendar($firstMonth);
        $question = QuestionReader::read($given->must('question'), $calendar);
        $kind = $kinds->of($given->must('kind')->oneOf($kinds->ids()));
        $needsRows = $question->isWhole() && !$kind->rows($question)->canBeWhole;
        // Recipes made before landing became part of the question have it in the finish.
        $lands = true === $finish?->maybe('landing')?->bool();

        return new Recipe(
            With::of($question, [...$needsRows ? ['by' => Grain::Month] : [], ...$lands ? ['landing' => true] : []]),
            $kind,
            null === $finish ? new Finish() : FinishReader::read($finish, null !== $question->each),
            $figures,
        );
    }
}

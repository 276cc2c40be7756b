<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Colours;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\LabelPosition;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Question\MessageNumber;
use KeenMargin\Core\Question\RowKey;
use KeenMargin\Core\Question\TargetMark;
use KeenMargin\Core\Question\TitleLines;
use KeenMargin\Core\Question\VarianceForm;

/** Reads the finish of a recipe; what is not told stays as usual. */
final class FinishReader
{
    private const KEYS = [
        'unit',
        'decimals',
        'labels',
        'width',
        'locale',
        'variance',
        'sameLength',
        'gap',
        'mark',
        'limit',
        'turn',
        // part of the question now, and read there
        'landing',
        'cut',
        'highlight',
        'height',
        'colours',
        'title',
        'message',
        'footnote',
        'notes',
        'named',
        'labelsAt',
    ];

    /** @param bool $hasPanels whether the question has several panels */
    public static function read(Given $given, bool $hasPanels): Finish
    {
        $given->object(self::KEYS);
        $default = new Finish();
        $locale = $given->maybe('locale')?->oneOf(['en', 'de', 'fr']);

        return new Finish(
            $given->maybe('unit')?->enum(Unit::class),
            $given->maybe('decimals')?->int(0, 6),
            $given->maybe('labels')?->enum(Labels::class) ?? $default->labels,
            $given->maybe('width')?->int(Finish::NARROWEST, Finish::WIDEST) ?? $default->width,
            \in_array($locale, ['de', 'fr'], true) ? $locale : $default->locale,
            $given->maybe('variance')?->enum(VarianceForm::class),
            $given->maybe('sameLength')?->bool() ?? $default->sameLength,
            $given->maybe('gap')?->bool() ?? $default->gap,
            $given->maybe('mark')?->enum(TargetMark::class) ?? $default->mark,
            self::maybeLimit($given->maybe('limit')),
            $given->maybe('turn')?->bool() ?? $default->turn,
            $given->maybe('cut')?->bool() ?? $default->cut,
            array_map(
                static fn (Given $key): RowKey => RowKeyReader::read($key, $hasPanels),
                $given->maybe('highlight')?->list() ?? [],
            ),
            $given->maybe('height')?->int(Finish::LOWEST, Finish::HIGHEST),
            $given->maybe('colours')?->enum(Colours::class) ?? $default->colours,
            self::title($given->maybe('title')),
            self::maybeMessage($given->maybe('message'), $hasPanels),
            $given->maybe('footnote')?->string(600),
            $given->maybe('notes')?->bool() ?? $default->notes,
            $given->maybe('named')?->string(),
            $given->maybe('labelsAt')?->enum(LabelPosition::class) ?? $default->labelsAt,
        );
    }

    private static function maybeLimit(?Given $given): ?BigDecimal
    {
        $limit = $given?->size();

        return null !== $limit && $limit->isZero() ? throw $given->refuse('a percentage above zero') : $limit;
    }

    private static function title(?Given $given): TitleLines
    {
        $given?->object(['who', 'what', 'when']);

        return new TitleLines(
            $given?->maybe('who')?->string(300),
            $given?->maybe('what')?->string(300),
            $given?->maybe('when')?->string(300),
        );
    }

    private static function maybeMessage(?Given $given, bool $hasPanels): ?Message
    {
        return null === $given
            ? null
            : new Message(
                $given
                    ->object(['text', 'numbers'])
                    ->must('text')
                    ->string(600),
                array_map(
                    static fn (Given $number): MessageNumber => new MessageNumber(
                        $number
                            ->object(['said', 'row', 'column', 'exact'])
                            ->must('said')
                            ->string(60),
                        RowKeyReader::read($number->must('row'), $hasPanels),
                        $number->must('column')->string(300),
                        $number->must('exact')->number(),
                    ),
                    $given->maybe('numbers')?->list() ?? [],
                ),
            );
    }
}

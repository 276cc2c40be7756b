<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Colours;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Question\LabelPosition;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Question\Message;
use KeenMargin\Core\Question\MessageNumber;
use KeenMargin\Core\Question\RowKey;
use KeenMargin\Core\Question\ScaleEnds;
use KeenMargin\Core\Question\ScaleForm;
use KeenMargin\Core\Question\StepColours;
use KeenMargin\Core\Question\StepLabels;
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
        'steps',
        'stepLabels',
        'dots',
        'ends',
        'scale',
    ];

    /**
     * @param bool $hasPanels whether the question has several panels
     *
     * @throws NotAccepted
     */
    public static function read(Given $given, bool $hasPanels): Finish
    {
        $given->object(self::KEYS);
        $default = new Finish();
        $locale = $given->maybe('locale')?->oneOf(['en', 'de', 'fr']);

        return new Finish(
            unit: $given->maybe('unit')?->enum(Unit::class),
            decimals: $given->maybe('decimals')?->int(0, 6),
            labels: $given->maybe('labels')?->enum(Labels::class) ?? $default->labels,
            width: $given->maybe('width')?->int(Finish::NARROWEST, Finish::WIDEST) ?? $default->width,
            locale: \in_array($locale, ['de', 'fr'], true) ? $locale : $default->locale,
            variance: $given->maybe('variance')?->enum(VarianceForm::class),
            sameLength: $given->maybe('sameLength')?->bool() ?? $default->sameLength,
            gap: $given->maybe('gap')?->bool() ?? $default->gap,
            mark: $given->maybe('mark')?->enum(TargetMark::class) ?? $default->mark,
            limit: self::maybeLimit($given->maybe('limit')),
            turn: $given->maybe('turn')?->bool() ?? $default->turn,
            cut: $given->maybe('cut')?->bool() ?? $default->cut,
            highlight: array_map(
                static fn (Given $key): RowKey => RowKeyReader::read($key, $hasPanels),
                $given->maybe('highlight')?->list() ?? [],
            ),
            height: $given->maybe('height')?->int(Finish::LOWEST, Finish::HIGHEST),
            colours: $given->maybe('colours')?->enum(Colours::class) ?? $default->colours,
            title: self::title($given->maybe('title')),
            message: self::maybeMessage($given->maybe('message'), $hasPanels),
            footnote: $given->maybe('footnote')?->string(600),
            notes: $given->maybe('notes')?->bool() ?? $default->notes,
            named: $given->maybe('named')?->string(),
            labelsAt: $given->maybe('labelsAt')?->enum(LabelPosition::class) ?? $default->labelsAt,
            steps: $given->maybe('steps')?->enum(StepColours::class),
            stepLabels: $given->maybe('stepLabels')?->enum(StepLabels::class) ?? $default->stepLabels,
            dots: $given->maybe('dots')?->bool() ?? $default->dots,
            ends: self::ends($given->maybe('ends')),
            scale: $given->maybe('scale')?->enum(ScaleForm::class) ?? $default->scale,
        );
    }

    /**
     * `{"from": "0", "to": "100"}`, either of them.
     *
     * @throws NotAccepted
     */
    private static function ends(?Given $given): ScaleEnds
    {
        $given?->object(['from', 'to']);
        $ends = new ScaleEnds($given?->maybe('from')?->number(), $given?->maybe('to')?->number());
        if (null !== $given && null !== $ends->from && true === $ends->to?->isLessThanOrEqualTo($ends->from)) {
            throw $given->must('to')->refuse('more than where the scale begins');
        }

        return $ends;
    }

    /** @throws NotAccepted */
    private static function maybeLimit(?Given $given): ?BigDecimal
    {
        $limit = $given?->size();

        return null !== $limit && $limit->isZero() ? throw $given->refuse('a percentage above zero') : $limit;
    }

    /** @throws NotAccepted */
    private static function title(?Given $given): TitleLines
    {
        $given?->object(['who', 'what', 'when']);

        return new TitleLines(
            $given?->maybe('who')?->string(300),
            $given?->maybe('what')?->string(300),
            $given?->maybe('when')?->string(300),
        );
    }

    /** @throws NotAccepted */
    private static function maybeMessage(?Given $given, bool $hasPanels): ?Message
    {
        return null === $given
            ? null
            : new Message(
                $given->object(['text', 'numbers'])->must('text')->string(600),
                array_map(
                    static fn (Given $number): MessageNumber => new MessageNumber(
                        $number->object(['said', 'row', 'column', 'exact'])->must('said')->string(60),
                        RowKeyReader::read($number->must('row'), $hasPanels),
                        $number->must('column')->string(300),
                        $number->must('exact')->number(),
                    ),
                    $given->maybe('numbers')?->list() ?? [],
                ),
            );
    }
}

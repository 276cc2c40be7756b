<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Part\Cumulation;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** Whether the parts of a question that make rows, panels and sides fit the dataset and one another. */
final class QuestionFit
{
    /** @throws NotAccepted */
    public static function rows(Question $question, Dataset $dataset): void
    {
        if ($question->isWhole()) {
            self::whole($question);

            return;
        }
        $breakdown = $question->breakdown();
        if (null !== $breakdown) {
            self::breakdown($breakdown, $dataset, 'question.by');
            self::refuseIf(
                Order::Calendar === $question->order,
                'question.order',
                'Members have no calendar order; give given, largest first, smallest first or favourable first.',
            );
            self::refuseIf(
                null !== $question->cumulate,
                'question.cumulate',
                'Running totals need periods; ask by month, or leave them out.',
            );

            return;
        }
        $by = $question->grain() ?? Grain::Month;
        self::refuseIf(
            $dataset->isTimeless(),
            'question.by',
            'The figures have no periods'.
                ([] === $dataset->breakdowns
                    ? ', and nothing that they are broken down by.'
                    : '. Ask by '.Wording::either(self::names($dataset)).'.'),
        );
        if (!$by->shows($dataset->grain)) {
            throw new NotAccepted(
                'question.by',
                "The figures are by {$dataset->grain->value}; give ".
                    Wording::either(
                        array_map(static fn (Grain $grain): string => $grain->value, $dataset->grain->coarser()),
                    ).
                    '.',
            );
        }
        self::refuseIf(
            !\in_array($question->order, [null, Order::Calendar], true),
            'question.order',
            'Periods stand in calendar order.',
        );
        self::refuseIf(null !== $question->top, 'question.top', 'Only members can be gathered, not periods.');
        self::refuseIf(
            Cumulation::Moving === $question->cumulate && 0 === $by->months(),
            'question.cumulate',
            'Twelve months are moved over by months, quarters, half-years or years.',
        );
    }

    /** @throws NotAccepted */
    private static function whole(Question $question): void
    {
        self::refuseIf(
            null !== $question->cumulate,
            'question.cumulate',
            'Running totals need periods; ask by month, or leave them out.',
        );
        self::refuseIf(
            null !== $question->top || null !== $question->order,
            null === $question->top ? 'question.order' : 'question.top',
            'One row has no order, and nothing to gather; ask by a breakdown, or leave it out.',
        );
    }

    /** @throws NotAccepted */
    public static function panels(Question $question, Dataset $dataset): void
    {
        if (null !== $question->each) {
            self::breakdown($question->each, $dataset, 'question.each');
            self::refuseIf(
                $question->each === $question->breakdown(),
                'question.each',
                'The rows are that breakdown already; take another one for the charts.',
            );
        }
    }

    /** @throws NotAccepted */
    public static function breakdown(string $name, Dataset $dataset, string $path): Breakdown
    {
        return $dataset->maybeBreakdown($name) ??
            throw new NotAccepted(
                $path,
                "There is no breakdown \"$name\"; there ".
                    ([] === $dataset->breakdowns ? 'is none' : 'are '.Wording::some(self::names($dataset), 8)).
                    ('question.by' === $path && !$dataset->isTimeless()
                        ? ', and '.
                            Wording::and(array_map(
                                static fn (Grain $grain): string => $grain->value,
                                $dataset->grain->coarser(),
                            )).
                            ' of periods.'
                        : '.'),
            );
    }

    /** @throws NotAccepted where there is no measure of that name */
    public static function measure(string $name, Dataset $dataset, string $path): Measure
    {
        $known = array_map(static fn (Measure $one): string => $one->name, $dataset->measures);

        return $dataset->maybeMeasure($name) ??
            throw new NotAccepted($path, "There is no measure \"$name\"; there is ".Wording::some($known, 8).'.');
    }

    /** @return list<string> */
    private static function names(Dataset $dataset): array
    {
        return array_map(static fn (Breakdown $one): string => $one->name, $dataset->breakdowns);
    }

    /** @throws NotAccepted */
    public static function refuseIf(bool $isWrong, string $path, string $says): void
    {
        if ($isWrong) {
            throw new NotAccepted($path, $says);
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Question\Between;
use KeenMargin\Core\Question\Cumulation;
use KeenMargin\Core\Question\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** Whether the parts of a question that make rows, panels and sides fit the dataset and one another. */
final class QuestionFit
{
    public static function rows(Question $question, Dataset $dataset): void
    {
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

    public static function between(Question $question, Dataset $dataset): Between
    {
        $between =
            $question->between ??
            throw new NotAccepted(
                'question.between',
                'A hat graph holds two members of a breakdown against each other; give "field", "first" and "second".',
            );
        $breakdown = self::breakdown($between->field, $dataset, 'question.between.field');
        foreach (['first' => $between->first, 'second' => $between->second] as $side => $member) {
            self::refuseIf(
                !\in_array($member, $breakdown->members, true),
                "question.between.$side",
                "{$breakdown->name} has no \"$member\"; it has ".Wording::some($breakdown->members, 8).'.',
            );
        }
        self::refuseIf(
            $between->field === $question->breakdown(),
            'question.by',
            "The two sides are members of {$between->field}; the rows must be periods or members of another breakdown.",
        );
        self::refuseIf(
            $between->field === $question->each,
            'question.each',
            "The two sides are members of {$between->field}; take another breakdown for the charts.",
        );

        return $between;
    }

    /** @return array<string, Measure> by the part that they are */
    public static function capacity(Question $question, Dataset $dataset): array
    {
        $capacity =
            $question->capacity ??
            throw new NotAccepted(
                'question.used',
                'How full something is needs two measures of "used", "unused" and "total".',
            );
        $measures = [];
        foreach ($capacity->told() as $part => $name) {
            $measure =
                $dataset->maybeMeasure($name) ??
                throw new NotAccepted(
                    "question.$part",
                    "There is no measure \"$name\"; there is ".
                        Wording::some(
                            array_map(static fn (Measure $one): string => $one->name, $dataset->measures),
                            8,
                        ).
                        '.',
                );
            $isAdded = Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers();
            self::refuseIf(
                !$isAdded,
                "question.$part",
                "$name is not added up, so that it cannot be a part of anything.",
            );
            $measures[$part] = $measure;
        }
        $units = array_unique(array_map(static fn (Measure $one): string => $one->unit, $measures));
        self::refuseIf(
            \count($units) > 1,
            'question.'.array_key_last($measures),
            'The measures are counted in '.
                Wording::and(
                    array_map(
                        static fn (string $unit): string => '' === $unit ? 'no unit' : $unit,
                        array_values($units),
                    ),
                ).
                '; parts and total must be of one unit.',
        );

        return $measures;
    }

    private static function breakdown(string $name, Dataset $dataset, string $path): Breakdown
    {
        return $dataset->maybeBreakdown($name) ??
            throw new NotAccepted(
                $path,
                "There is no breakdown \"$name\"; there ".
                    ([] === $dataset->breakdowns ? 'is none' : 'are '.Wording::some(self::names($dataset), 8)).
                    ('question.by' === $path && !$dataset->isTimeless()
                        ? ', and '.
                            Wording::and(
                                array_map(
                                    static fn (Grain $grain): string => $grain->value,
                                    $dataset->grain->coarser(),
                                ),
                            ).
                            ' of periods.'
                        : '.'),
            );
    }

    /** @return list<string> */
    private static function names(Dataset $dataset): array
    {
        return array_map(static fn (Breakdown $one): string => $one->name, $dataset->breakdowns);
    }

    private static function refuseIf(bool $isWrong, string $path, string $says): void
    {
        if ($isWrong) {
            throw new NotAccepted($path, $says);
        }
    }
}

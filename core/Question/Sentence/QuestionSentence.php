<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Sentence;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Number\Unit;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\QuestionWords;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\SentencePart;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Time\PeriodRange;
use KeenMargin\Core\Time\SpanKind;

/**
 * A question as the plain sentence that it is. Slots are the parts that can be changed; the others are words between
 * them.
 */
final class QuestionSentence
{
    /** Breakdowns without a filter that stand in the sentence; others are reached by `and …`. */
    private const OPEN_BREAKDOWNS = 3;

    /**
     * @param Better $better as it is read for the shown amounts
     * @param PeriodRange $range that the question is about
     *
     * @return list<SentencePart>
     */
    public static function of(
        Recipe $recipe,
        Dataset $dataset,
        Measure $measure,
        Better $better,
        PeriodRange $range,
    ): array {
        $question = $recipe->question;
        $words = $recipe->kind->words($question, $measure);
        $offers = [];
        $members = self::allMembers($question, $dataset, $words, $offers);
        $numbers = self::numbers($question);
        if ('' === $numbers && self::hasNumbers($dataset)) {
            $offers[] = new SentencePart('only where other numbers are within limits', 'numbers');
        }
        $span =
            $dataset->isTimeless() || '' === $words->beforeSpan
                ? []
                : [
                    new SentencePart($words->beforeSpan),
                    new SentencePart(self::span($question, $dataset, $range), 'span'),
                ];
        $isGuess = null === $question->better && $measure->isBetterGuessed() && $better === $measure->better();

        return [
            ...$words->opening,
            ...$members,
            ...'' === $numbers ? [] : [new SentencePart(' where '), new SentencePart($numbers, 'numbers')],
            ...$span,
            ...$words->against,
            ...OpenMonthPart::of($recipe, $dataset),
            new SentencePart($question->isWhole() ? ', ' : ', by '),
            new SentencePart(self::rows($question), 'by'),
            new SentencePart('? '),
            new SentencePart(Better::More === $better ? 'More is better' : 'Less is better', 'better', $isGuess),
            new SentencePart('; flag '),
            new SentencePart(self::flag($question->flag, $measure), 'flag'),
            ...[] === $offers
                ? [new SentencePart('.')]
                : [new SentencePart(', '), new SentencePart('and …', 'more', offers: $offers)],
        ];
    }

    /**
     * ` of all routes, all classes and all vessels`.
     *
     * @param list<SentencePart> $offers gets those that have no filter and no place in the sentence
     *
     * @return list<SentencePart>
     */
    private static function allMembers(
        Question $question,
        Dataset $dataset,
        QuestionWords $words,
        array &$offers,
    ): array {
        $parts = [];
        $before = $words->opening[\count($words->opening) - 1]->text;
        $breakdowns = self::breakdowns($question, $dataset, $words->taken, $offers);
        foreach ($breakdowns as $i => $breakdown) {
            // After a list of its own, another needs a comma.
            $joined = str_contains($before, ' and ') ? ', and ' : ' and ';
            $isLast = $i === \count($breakdowns) - 1;
            $parts[] = new SentencePart(0 === $i ? $words->beforeMembers : ($isLast ? $joined : ', '));
            $before = self::members($breakdown, $question);
            $parts[] = new SentencePart($before, 'members:'.$breakdown->name);
        }

        return $parts;
    }

    /**
     * @param list<SentencePart> $offers gets those that have no filter and no place in the sentence
     *
     * @return list<Breakdown>
     */
    private static function breakdowns(Question $question, Dataset $dataset, ?string $taken, array &$offers): array
    {
        $shown = [];
        $open = 0;
        foreach ($dataset->breakdowns as $breakdown) {
            if ($breakdown->name === $taken) {
                continue;
            }
            $isFiltered =
                [] !==
                array_filter(
                    $question->where,
                    static fn (MemberFilter|NumberFilter $filter): bool => $filter instanceof MemberFilter
                        && $filter->breakdown === $breakdown->name,
                );
            if ($isFiltered || ++$open <= self::OPEN_BREAKDOWNS) {
                $shown[] = $breakdown;
            } else {
                $offers[] = new SentencePart(self::members($breakdown, $question), 'members:'.$breakdown->name);
            }
        }

        return $shown;
    }

    /** `month, year to date` · `route, the 10 largest, for each line` */
    private static function rows(Question $question): string
    {
        if ($question->isWhole()) {
            return 'all together'.
                (null === $question->each ? '' : ', for each '.Wording::withinSentence($question->each));
        }
        $by = $question->grain()->value ?? Wording::withinSentence((string) $question->breakdown());

        return implode(
            ', ',
            array_filter([
                $by,
                (string) $question->cumulate?->words(),
                null === $question->top ? '' : (1 === $question->top ? 'the largest' : "the {$question->top} largest"),
                \in_array($question->order, [null, Order::Given, Order::Calendar], true) ? '' : $question->order->value,
                null === $question->breakdown() || null !== $question->order || [] === $question->sequence
                    ? ''
                    : 'in an order of its own',
                null === $question->each ? '' : 'for each '.Wording::withinSentence($question->each),
            ]),
        );
    }

    private static function members(Breakdown $breakdown, Question $question): string
    {
        $all = 'all '.Wording::plural(Wording::withinSentence($breakdown->name));
        $texts = array_map(
            static fn (MemberFilter $filter): string => ($filter->keeps ? '' : $all.' but ').
                Wording::some(
                    array_map(
                        static fn (string $member): string => '' === $member ? '(blank)' : $member,
                        $filter->members,
                    ),
                    3,
                ),
            array_values(array_filter(
                $question->where,
                static fn (MemberFilter|NumberFilter $filter): bool => $filter instanceof MemberFilter
                    && $filter->breakdown === $breakdown->name,
            )),
        );

        return [] === $texts ? $all : Wording::and($texts);
    }

    /** `completion is below 99` */
    private static function numbers(Question $question): string
    {
        return Wording::and(array_map(
            self::number(...),
            array_values(array_filter(
                $question->where,
                static fn (MemberFilter|NumberFilter $filter): bool => $filter instanceof NumberFilter,
            )),
        ));
    }

    public static function number(NumberFilter $filter): string
    {
        $limits = array_filter([
            null === $filter->atLeast ? '' : "at least {$filter->atLeast->toString()}",
            null === $filter->below ? '' : "below {$filter->below->toString()}",
        ]);

        return Wording::withinSentence($filter->field).' is '.implode(' and ', $limits);
    }

    /** Whether there is a field whose numbers can be compared besides the measure asked about. */
    private static function hasNumbers(Dataset $dataset): bool
    {
        return \count(array_filter($dataset->measures, static fn (Measure $measure): bool => !$measure->isRatio())) >
            1
            || [] !==
                array_filter($dataset->breakdowns, static fn (Breakdown $breakdown): bool => $breakdown->isNumeric());
    }

    private static function span(Question $question, Dataset $dataset, PeriodRange $range): string
    {
        $span = $question->span;
        $unit =
            null === $span?->unit
                ? ''
                : (1 === $span->count ? $span->unit->value : $span->count.' '.$span->unit->plural());
        $periods = $range->belonging($dataset->grain, $dataset->calendar);

        return match ($span?->kind) {
            SpanKind::Last => "the last $unit",
            SpanKind::Previous => "the previous $unit",
            SpanKind::YearToDate => 'the year to date',
            SpanKind::RestOfYear => 'the rest of the year',
            default => [] === $periods ? 'no period' : PeriodNames::range($periods[0], $periods[\count($periods) - 1]),
        };
    }

    private static function flag(Flag $flag, Measure $measure): string
    {
        $format = NumberFormat::of('en');
        $amount = $flag->amount;
        if (null !== $amount) {
            $unit = $amount->isGreaterThanOrEqualTo(1000) ? Unit::fitting($amount->multipliedBy(10)) : Unit::One;
            $shown = $unit->of($amount)->strippedOfTrailingZeros();
            $text = trim(
                $format->plain($shown, max(0, $shown->getScale())).
                    ' '.
                    (Unit::One === $unit ? $measure->unit : $unit->before($measure->unit)),
            );
        }
        $percent = $flag->percent?->strippedOfTrailingZeros();
        $thresholds = array_values(
            array_filter([
                null === $percent
                    ? null
                    : $format->plain($percent, max(0, $percent->getScale())).
                        ($measure->isInPercent() ? ' pp' : ' %'),
                $measure->isInPercent() ? null : $text ?? null,
            ]),
        );

        return [] === $thresholds ? 'no gaps' : 'gaps over '.Wording::and($thresholds);
    }
}

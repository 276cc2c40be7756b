<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** Reads the parts of a question that stand in several of its entries: rows, spans, periods, pairs of members. */
final class PartReader
{
    /**
     * A grain's word means periods; anything else is the name of a breakdown.
     *
     * @throws NotAccepted
     */
    public static function by(Given $given): Grain|string
    {
        $word = $given->string();

        return \in_array($word, Grain::words(), true) ? Grain::from($word) : $word;
    }

    /** @throws NotAccepted */
    public static function maybeBetween(?Given $given): ?Between
    {
        if (null === $given) {
            return null;
        }
        $given->object(['field', 'first', 'second']);
        $between = new Between(
            $given->must('field')->string(), $given->must('first')->text(500), $given->must('second')->text(500),
        );
        if ($between->first === $between->second) {
            throw $given->must('second')->refuse('another member than the first');
        }

        return $between;
    }

    /** @throws NotAccepted */
    public static function span(Given $given, FiscalCalendar $calendar): Span
    {
        if (!$given->isObject()) {
            return 'year to date' === $given->oneOf(['year to date', 'rest of year'])
                ? Span::yearToDate()
                : Span::restOfYear();
        }
        foreach (['last', 'previous'] as $kind) {
            $count = $given->maybe($kind)?->int(1, 1000);
            if (null !== $count) {
                $given->object([$kind, 'unit']);
                $unit = Grain::from($given->must('unit')->oneOf(Grain::words()));

                return 'last' === $kind ? Span::last($count, $unit) : Span::previous($count, $unit);
            }
        }
        $given->object(['from', 'to', 'last', 'previous', 'unit']);
        $from = self::maybePeriod($given->must('from'), $calendar);
        $to = self::maybePeriod($given->must('to'), $calendar);
        try {
            return Span::between($from ?? throw new \LogicException(), $to ?? throw new \LogicException());
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }
    }

    /** @throws NotAccepted */
    public static function maybePeriod(?Given $given, FiscalCalendar $calendar): ?Period
    {
        if (null === $given) {
            return null;
        }
        try {
            return Period::of($given->string(), $calendar);
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }
    }
}

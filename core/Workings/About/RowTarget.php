<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** What a row of a chart is about, whichever chart it stands in: measure, period and members. */
final readonly class RowTarget
{
    private function __construct(public string $measure, public ?Period $period, public NoteTarget $place) {}

    /**
     * None of rows that gather what is not shown one by one: they are others in every chart. None of drivers and of
     * totals that a waterfall does not end at.
     */
    public static function maybe(Row $row, Workings $workings, Question $question): ?self
    {
        $isNobody =
            RowRole::Other === $row->role
            || ($row->role->isStep() && null !== $row->key->sum)
            || \in_array($row->role, [RowRole::Start, RowRole::Subtotal], true);
        if ($isNobody || true === $row->key->panel?->isOthers()) {
            return null;
        }
        if (null !== $row->where) {
            return new self(
                $workings->context->measure()->name,
                $row->period ?? self::until($workings),
                NoteTarget::of($row->where),
            );
        }
        $members = [];
        if (null !== $question->each && null !== $row->key->panel) {
            $members[$question->each] = (string) $row->key->panel->member;
        }
        $breakdown = $question->breakdown();
        if (null !== $breakdown && !$row->role->isApart()) {
            $members[$breakdown] = (string) $row->key->name;
        }

        return new self(
            $workings->context->measure()->name,
            $row->period ?? self::until($workings),
            NoteTarget::of($question->where, $members),
        );
    }

    /** Rows that are no periods are about the last one shown whose books are closed; of days about its month. */
    private static function until(Workings $workings): ?Period
    {
        [$from, $to] = [$workings->context->from, $workings->context->to];
        if (null === $from || null === $to) {
            return $to;
        }
        $isClosingWithin = $to->isAfter($workings->context->closing) && !$from->isAfter($workings->context->closing);
        $until = $isClosingWithin ? $workings->context->closing : $to;
        if (Grain::Day !== $until->grain) {
            return $until;
        }
        $month = $until->group(Grain::Month, $until->calendar());
        // A closing within a month is said by its day.
        $isWithinMonth = $isClosingWithin && $until->lastDay() !== $month->lastDay();

        return $isWithinMonth ? $until : $month;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Question\NotePlace;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Period;

/** What a row of a chart is about, whichever chart it stands in: measure, period and members. */
final readonly class RowPlace
{
    private function __construct(public string $measure, public ?Period $period, public NotePlace $place)
    {
    }

    /** None of rows that gather what is not shown one by one: they are others in every chart. */
    public static function maybe(Row $row, Workings $workings, Question $question): ?self
    {
        if (RowRole::Other === $row->role || PanelName::isOthers($row->panel)) {
            return null;
        }
        $members = [];
        if (null !== $question->each && '' !== $row->panel) {
            $members[$question->each] = PanelName::member($row->panel);
        }
        $breakdown = $question->breakdown();
        if (null !== $breakdown && !$row->role->isApart()) {
            $members[$breakdown] = self::withinPanel($row);
        }

        return new self($workings->measure->name, $row->period ?? self::until($workings), NotePlace::of($question->where, $members));
    }

    /** The key that the row would have alone. */
    public static function withinPanel(Row $row): string
    {
        return '' === $row->panel ? $row->key : substr($row->key, \strlen($row->panel) + 1);
    }

    /** Rows that are no periods are about the last one shown whose books are closed. */
    private static function until(Workings $workings): ?Period
    {
        $to = $workings->to();

        return null !== $to && $to->isAfter($workings->closing) && null !== $workings->from() && !$workings->from()->isAfter($workings->closing) ? $workings->closing : $to;
    }
}

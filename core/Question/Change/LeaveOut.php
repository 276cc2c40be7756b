<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Change;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;

/** The same recipe without one of its rows. */
final class LeaveOut
{
    /**
     * Without a member, or whatever stands in a group: of all that were asked for, or of those named. None where
     * nothing else is left.
     *
     * @param non-empty-list<string> $leaves
     */
    public static function maybeMember(Recipe $recipe, string $breakdown, array $leaves): ?Recipe
    {
        $where = [];
        $isDone = false;
        foreach ($recipe->question->where as $filter) {
            if (
                $filter instanceof MemberFilter
                && $filter->breakdown === $breakdown
                && !$isDone
                && (!$filter->keeps || [] !== array_intersect($leaves, $filter->members))
            ) {
                $members = $filter->keeps
                    ? array_values(array_diff($filter->members, $leaves))
                    : array_values(array_unique([...$filter->members, ...$leaves]));
                if ([] === $members) {
                    return null;
                }
                $filter = new MemberFilter($breakdown, $members, $filter->keeps);
                $isDone = true;
            }
            $where[] = $filter;
        }

        return self::asking($recipe, [
            'where' => $isDone ? $where : [...$where, new MemberFilter($breakdown, $leaves, false)],
        ]);
    }

    /**
     * Without the first or the last period; none for those between, whose absence would make sums of something else.
     *
     * @param list<Period> $periods those of the rows
     */
    public static function maybePeriod(Recipe $recipe, Period $period, array $periods): ?Recipe
    {
        $last = \count($periods) - 1;
        if ($last < 1) {
            return null;
        }

        return match ($period->key()) {
            $periods[0]->key() => self::asking($recipe, ['span' => Span::between($periods[1], $periods[$last])]),
            $periods[$last]->key() => self::asking($recipe, [
                'span' => Span::between($periods[0], $periods[$last - 1]),
            ]),
            default => null,
        };
    }

    /** @param array{where?: list<MemberFilter|NumberFilter>, span?: Span} $in */
    private static function asking(Recipe $recipe, array $in): Recipe
    {
        return $recipe->asking(With::of($recipe->question, $in));
    }
}

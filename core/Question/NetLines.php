<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Question\Part\Between;

/** Whether a question adds up lines of a statement, some of which add and others take away, so that signs matter. */
final class NetLines
{
    /** Name of a statement's result that nobody named. */
    public const RESULT = 'Result';

    /**
     * The statement whose lines are added up in rows and totals. Where the rows or the charts are its lines themselves,
     * these are shown as they came, and it is not meant. Null: there is none.
     */
    public static function maybe(Question $question, Measure $measure, Dataset $dataset): ?Breakdown
    {
        $lines = $measure->isAddedOverMembers() ? NetFigures::maybeLines($dataset) : null;
        if (null === $lines || $lines->name === $question->breakdown() || $lines->name === $question->each) {
            return null;
        }
        $asked = $lines->members;
        foreach ($question->where as $filter) {
            if ($filter instanceof MemberFilter && $filter->breakdown === $lines->name) {
                $held = array_merge([], ...array_map($lines->leaves(...), $filter->members));
                $asked = $filter->keeps ? array_intersect($asked, $held) : array_diff($asked, $held);
            }
        }
        $asked = array_diff($asked, $lines->groups());
        $roles = array_unique($lines->rolesOf(array_values($asked)), \SORT_REGULAR);
        if (1 === \count($asked)) {
            return null;
        }

        return \in_array(LineRole::Subtotal, $roles, true) || \count($roles) > 1 ? $lines : null;
    }

    /**
     * What sentences call a measure of a statement: its result, where all lines are asked for, or the only line that
     * is. `Operating result`, `Fuel`; the measure's own name where it is of no statement.
     *
     * @param ?string $title what the reader calls it; null: nothing
     */
    public static function subject(
        Question $question,
        Measure $measure,
        Dataset $dataset,
        ?string $title = null,
    ): string {
        $lines = $measure->isAddedOverMembers() ? NetFigures::maybeLines($dataset) : null;
        if (null === $lines || $lines->name === $question->each || $question->bridge instanceof Between) {
            return $measure->name;
        }
        foreach ($question->where as $filter) {
            if ($filter instanceof MemberFilter && $filter->breakdown === $lines->name) {
                $isOne = $filter->keeps && 1 === \count($filter->members);

                return $isOne ? $filter->members[0] : $measure->name;
            }
        }
        $isSubtotal = static fn (string $line): bool => LineRole::Subtotal === ($lines->roles[$line] ?? null);
        $subtotals = array_values(array_filter($lines->members, $isSubtotal));

        return $subtotals[\count($subtotals) - 1] ?? ($title ?? self::RESULT);
    }
}

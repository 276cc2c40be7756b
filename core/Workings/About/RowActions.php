<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\About;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Question\Change\LeaveOut;
use KeenMargin\Core\Question\Change\LookInto;
use KeenMargin\Core\Question\Kinds;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** Where a reader can go from a row: deeper, or on without it. */
final readonly class RowActions
{
    private const ONLY_ENDS = 'Only the first and the last period can be left out, so that sums stay whole.';

    /**
     * @param list<array{by: string, label: string, recipe: Recipe}> $deeper
     * @param string $whyNot where it cannot be left out
     */
    private function __construct(public array $deeper, public ?Recipe $without, public string $whyNot) {}

    public static function of(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset, Kinds $kinds): self
    {
        $members = self::maybeMembers($row, $recipe);
        $deeper = null === $members ? [] : (new LookInto($recipe, $dataset, $kinds))->ways($row->period, $members);
        $without = self::without($row, $workings, $recipe, $dataset);

        return new self($deeper, $without, null === $without ? self::whyNot($row, $workings) : '');
    }

    /** @return array<string, string>|null by breakdown; none where the row gathers several */
    private static function maybeMembers(Row $row, Recipe $recipe): ?array
    {
        if (RowRole::Other === $row->role || true === $row->key->panel?->isOthers()) {
            return null;
        }
        if (null !== $row->where) {
            return self::narrowed($row->where, $recipe);
        }
        $breakdown = $recipe->question->breakdown();

        return (null === $recipe->question->each || null === $row->key->panel
            ? []
            : [$recipe->question->each => (string) $row->key->panel->member]) +
            (null === $breakdown || $row->role->isApart() ? [] : [$breakdown => (string) $row->key->name]);
    }

    /**
     * Single members that a row is narrowed to besides the question's own filters.
     *
     * @param list<MemberFilter|NumberFilter> $where of the row
     *
     * @return array<string, string> by breakdown
     */
    private static function narrowed(array $where, Recipe $recipe): array
    {
        $members = [];
        foreach ($where as $filter) {
            $isOwn = !\in_array($filter, $recipe->question->where, false);
            if ($isOwn && $filter instanceof MemberFilter && $filter->keeps && 1 === \count($filter->members)) {
                $members[$filter->breakdown] = $filter->members[0];
            }
        }

        return $members;
    }

    private static function without(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): ?Recipe
    {
        $breakdown = $recipe->question->breakdown();
        $parts = array_values(array_filter(
            $workings->table->rows,
            static fn (Row $one): bool => \in_array($one->role, [RowRole::Row, RowRole::Step], true)
                && null === $one->parent
                && $one->panel === $row->panel,
        ));

        return match (true) {
            !\in_array($row->role, [RowRole::Row, RowRole::Group, RowRole::Step], true)
                || null !== $row->parent
                || null === $row->key->name
                || \count($parts) < 2 => null,
            null !== $breakdown => LeaveOut::maybeMember(
                $recipe,
                $breakdown,
                $dataset->maybeBreakdown($breakdown)?->leaves((string) $row->key->name) ?: [(string) $row->key->name],
            ),
            null !== $row->period => LeaveOut::maybePeriod(
                $recipe,
                $row->period,
                array_values(array_filter(array_map(static fn (Row $one) => $one->period, $parts))),
            ),
            default => null,
        };
    }

    private static function whyNot(Row $row, Workings $workings): string
    {
        return match (true) {
            RowRole::Other === $row->role => 'What is gathered can be shown one by one: keep more of the largest.',
            $row->role->isWhole() => 'It is the sum of the others.',
            null !== $row->parent => 'Close the step that it is a part of to leave that out.',
            $row->role->isStep() && null !== $row->key->sum => 'Drivers are told of all members together.',
            $workings->context->isOverTime() && \count($workings->table->rows) > 1 => self::ONLY_ENDS,
            default => 'It is the only one.',
        };
    }
}

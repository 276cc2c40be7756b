<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** The numbers of bullets and gauges: value, target, variance against it, the value's band, and its limits. */
final class TargetedWorkings
{
    private const NAMED = 3;
    /** Checks of a comparison that are about totals, which they do not have, or about a missing reference. */
    private const NOT_ASKED = ['rows-sum-to-total', 'no-total', 'no-reference'];

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $of = TargetedRows::of($recipe, $figures);
        $context = $of->compared->context;
        $display = Display::of($context->measure(), $recipe->finish, $of->rows);
        $shown = new Column('shown', ColumnForm::Amount, 'Value', trim("What is shown, {$display->unitText()}", ', '));
        $references = null === $of->target ? $of->marks : [$of->target, ...$of->marks];
        $phrases = new RowPhrases($display, $shown, $of->target);

        return new Workings(
            new WorkingsTable(
                $of->rows,
                [$shown, ...self::columns($of, $display)],
                $references,
                Total::none($references),
            ),
            With::of($context, [
                'kind' => $recipe->kind->id(),
                'display' => $display,
                'says' => self::says($of),
                'aim' => $recipe->question->target,
                'bands' => self::withNames($recipe->question->bands, $of->rows),
            ]),
            (new NearSummary($of->rows, $of->counted, $phrases))->write($context->subject),
            self::checks($of),
        );
    }

    /**
     * The question's bands with the names that they bear where it gives none.
     *
     * @param list<Row> $rows
     */
    private static function withNames(?Bands $bands, array $rows): ?Bands
    {
        $names = ($rows[0] ?? null)->bands->names ?? [];

        return null === $bands || [] !== $bands->names ? $bands : new Bands($bands->form, $bands->numbers, $names);
    }

    /** @return list<Column> after what is shown */
    private static function columns(TargetedRows $of, Display $display): array
    {
        $columns = [];
        if (null !== $of->target) {
            $columns[] = new Column(TargetedRows::TARGET, ColumnForm::Amount, 'Target', ucfirst($of->target->word));
            array_push($columns, ...Column::against($of->target, $display->inPoints, 'shown'));
        }
        foreach ($of->marks as $mark) {
            $columns[] = new Column($mark->key, ColumnForm::Amount, $mark->short, ucfirst($mark->word));
        }
        $limits = max([0, ...array_map(static fn (Row $row): int => \count($row->bands->limits ?? []), $of->rows)]);
        if ($limits > 0) {
            $columns[] = new Column('band', ColumnForm::Band, 'Band', 'Up to which limit the value reaches');
        }
        for ($place = 1; $place <= $limits; ++$place) {
            $columns[] = new Column("limit $place", ColumnForm::Amount, "Limit $place", 'Where the band ends');
        }

        return $columns;
    }

    /** `AC against TG; poor below 75, fair below 90, then good` */
    private static function says(TargetedRows $of): string
    {
        $shown = $of->compared->context->scenario->value;
        $target = null === $of->target ? '' : " against {$of->target->short}";
        $marks = array_map(static fn (Reference $mark): string => "{$mark->short} marked", $of->marks);

        return implode('; ', array_filter(["$shown$target", ...$marks, self::shared($of->rows)]));
    }

    /**
     * `poor to 75, fair to 90, then good`, where all rows have the same bands.
     *
     * @param list<Row> $rows
     */
    private static function shared(array $rows): string
    {
        $first = $rows[0]->bands ?? null;
        foreach ($rows as $row) {
            if (null === $first || null === $row->bands || !$first->isLike($row->bands)) {
                return '';
            }
        }
        $parts = [];
        foreach ($first->names ?? [] as $place => $name) {
            $limit = $first->limits[$place] ?? null;
            $parts[] = null === $limit ? "then $name" : "$name to {$limit->toString()}";
        }

        return implode(', ', $parts);
    }

    /** @return list<Check> */
    private static function checks(TargetedRows $of): array
    {
        $kept = array_filter(
            $of->compared->checks,
            static fn (Check $check): bool => !\in_array($check->id, self::NOT_ASKED, true),
        );

        return array_values(
            array_filter([
                ...$kept,
                null === $of->target ? null : self::without($of, TargetedRows::TARGET, 'target'),
                self::past($of),
                self::beyond($of),
            ]),
        );
    }

    private static function without(TargetedRows $of, string $key, string $word): ?Check
    {
        return self::named(
            "without-$key",
            $of->rows,
            static fn (Row $row): bool => RowRole::Row === $row->role
                && null !== $row->shown
                && !$row->isAbsent()
                && null === ($row->values[$key] ?? null),
            ["has no $word", "have no $word"],
        );
    }

    /** Values above the last limit: they are in the last band, and beyond what it says. */
    private static function past(TargetedRows $of): ?Check
    {
        return self::named(
            'past-the-bands',
            $of->rows,
            static fn (Row $row): bool => null !== $row->shown
                && true === $row->bands?->isPast($row->exact ?? $row->shown),
            ['is beyond the last band', 'are beyond the last band'],
        );
    }

    /** Targets that no band holds. */
    private static function beyond(TargetedRows $of): ?Check
    {
        return self::named(
            'target-past-the-bands',
            $of->rows,
            static fn (Row $row): bool => null !== ($row->values[TargetedRows::TARGET] ?? null)
                && true === $row->bands?->isPast($row->values[TargetedRows::TARGET]),
            ['has a target beyond the last band', 'have targets beyond the last band'],
        );
    }

    /**
     * @param list<Row> $rows
     * @param callable(Row): bool $isOne
     * @param array{string, string} $says of one, of several
     */
    private static function named(string $id, array $rows, callable $isOne, array $says): ?Check
    {
        $found = array_map(static fn (Row $row): string => $row->label, array_values(array_filter($rows, $isOne)));

        return [] === $found
            ? null
            : new Check($id, false, Wording::some($found, self::NAMED).' '.$says[1 === \count($found) ? 0 : 1]);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Near\GoalRows;
use KeenMargin\Core\Workings\Near\OtherRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Trend;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\RowOrder;
use KeenMargin\Core\Workings\Rows\Scope;

/** The numbers of a comparison table: those of a comparison, and besides them shares, progress and trends. */
final readonly class TableWorkings
{
    private const MOST = 5_000;
    /** Key of a row's share in percent. */
    public const SHARE = 'share';
    /** Key of its progress in percent. */
    public const PROGRESS = 'progress';

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $columns = TableColumns::of($question, $figures->dataset());
        $asked = OtherRows::asking($recipe, [
            'against' => $columns->references(),
            'landing' => false,
            // A table shows more than a chart before it gathers the smallest.
            'top' => $question->top ?? (null === $question->breakdown() ? null : self::MOST),
            ...null === $question->sort ? [] : ['order' => null, 'sequence' => []],
        ]);
        $compared = ComparisonWorkings::of($asked, $figures, isUnitOfParts: true);
        $rows = self::sorted(self::rows($compared, $asked, $figures, $columns), $question);

        return With::of($compared, [
            'table' => With::of($compared->table, [
                'rows' => $rows,
                'columns' => [...$compared->table->columns, ...self::columns($columns)],
            ]),
            'context' => With::of($compared->context, [
                'kind' => $recipe->kind->id(),
                'rates' => Display::inPercent(With::of($recipe->finish, ['decimals' => null])),
                'columns' => $columns->list,
                'sorted' => $question->sort?->column,
            ]),
            'checks' => self::checks($compared, $columns),
        ]);
    }

    /**
     * A number of a row by the column that shows it.
     *
     * @return ?BigDecimal in the measure's own unit, or in percent
     */
    public static function number(Row $row, TableColumn $column, Question|Workings $of): ?BigDecimal
    {
        $shown = $of instanceof Question ? $of->scenario : $of->context->scenario;
        $code = $column->scenario->value ?? '';
        $variance = $row->variances[$code] ?? null;

        return match ($column->number) {
            TableNumber::Amount => $column->scenario === $shown ? $row->shown : $row->values[$code] ?? null,
            TableNumber::Variance => $variance?->amount,
            TableNumber::Percent => $variance?->percent(),
            TableNumber::Share => $row->values[self::SHARE] ?? null,
            TableNumber::Progress => $row->values[self::PROGRESS] ?? null,
            TableNumber::Trend => $row->trend?->last(),
        };
    }

    /**
     * The rows of a comparison with the other numbers that columns ask for.
     *
     * @return list<Row>
     *
     * @throws NotAccepted
     */
    private static function rows(Workings $compared, Recipe $asked, Figures $figures, TableColumns $columns): array
    {
        $total = $compared->table->total->exact ?? $compared->table->total->shown;
        $shareOf = $columns->has(TableNumber::Share) && 0 !== ($total?->getSign() ?? 0) ? $total : null;
        $goals = $columns->has(TableNumber::Progress) ? self::goals($asked, $figures) : null;
        $trends = $columns->has(TableNumber::Trend) ? self::trends($compared, $asked->question, $figures) : [];

        return array_map(static function (Row $row) use ($shareOf, $goals, $trends): Row {
            $id = $row->key->id;
            $values = $row->values;
            if (null !== $shareOf) {
                $values[self::SHARE] = self::share($row, $shareOf);
            }
            if (null !== $goals) {
                $goal = $goals[$id] ?? [];
                $values = [...$values, ...$goal, self::PROGRESS => $goal[GoalNumbers::PERCENT] ?? null];
            }

            return With::of($row, ['values' => $values, 'trend' => $trends[$id] ?? null]);
        }, $compared->table->rows);
    }

    private static function share(Row $row, BigDecimal|Fraction $total): ?BigDecimal
    {
        $value = $row->exact ?? $row->shown;
        $of = Fraction::from($total);
        if (null === $value) {
            return null;
        }
        $part = Fraction::from($value);
        $share = Fraction::of(
            $part->numerator->multipliedBy($of->denominator)->multipliedBy(100),
            $part->denominator->multipliedBy($of->numerator),
        );

        return $share->rounded(Decimals::PERCENT_SCALE);
    }

    /**
     * Of each row its goal, the pace and how much of it is reached in percent.
     *
     * @return array<string, array<string, ?BigDecimal>> by the ids of rows' keys
     *
     * @throws NotAccepted
     */
    private static function goals(Recipe $asked, Figures $figures): array
    {
        $goals = [];
        $plain = OtherRows::asking($asked, ['columns' => [], 'sort' => null]);
        foreach (GoalRows::of($plain, $figures)->rows as $row) {
            $goals[$row->key->id] = self::progress($row);
        }

        $total = RowKey::sum(SumKey::Total)->id;
        $aim = GoalRows::aim($plain->question, $figures->dataset());
        $isOfWhole = null !== $aim && null === $aim->number && !$aim->isTotal;
        if ($isOfWhole && null !== $plain->question->breakdown()) {
            $goals[$total] = self::goalOfWhole($plain, $figures);
        }

        return $goals;
    }

    /** @return array<string, ?BigDecimal> */
    private static function progress(Row $row): array
    {
        return array_intersect_key($row->values, [
            GoalNumbers::GOAL => true,
            GoalNumbers::PACE => true,
            GoalNumbers::PERCENT => true,
        ]);
    }

    /**
     * How far all together are on the way to the goal of the whole.
     *
     * @return array<string, ?BigDecimal>
     *
     * @throws NotAccepted
     */
    private static function goalOfWhole(Recipe $plain, Figures $figures): array
    {
        $asked = OtherRows::asking($plain, [
            'by' => null,
            'each' => null,
            'top' => null,
            'order' => null,
            'sequence' => [],
        ]);
        $rows = GoalRows::of($asked, $figures)->rows;

        return 1 === \count($rows) ? self::progress($rows[0]) : [];
    }

    /** @return array<string, Trend> by the ids of rows' keys */
    private static function trends(Workings $compared, Question $question, Figures $figures): array
    {
        $measure = $compared->context->measure();

        return Trends::of(Scope::of($question, $figures->dataset(), $measure, $measure->sources()), $figures);
    }

    /**
     * @param list<Row> $rows of all panels
     *
     * @return list<Row>
     */
    private static function sorted(array $rows, Question $question): array
    {
        $sort = $question->sort;
        if (null === $sort) {
            return $rows;
        }
        $panels = [];
        foreach ($rows as $row) {
            $panels[$row->key->panel->id ?? ''][] = $row;
        }
        $number = static fn (Row $row): ?BigDecimal => self::number($row, $sort->column, $question);

        return array_merge(
            [],
            ...array_map(
                static fn (array $own): array => RowOrder::byNumber($own, $number, $sort->isLargestFirst),
                array_values($panels),
            ),
        );
    }

    /** @return list<Column> besides those of the comparison */
    private static function columns(TableColumns $columns): array
    {
        return array_values(
            array_filter([
                $columns->has(TableNumber::Share)
                    ? new Column(self::SHARE, ColumnForm::Rate, 'Share', 'Value over the total')
                    : null,
                ...$columns->has(TableNumber::Progress)
                    ? [
                        new Column(GoalNumbers::GOAL, ColumnForm::Amount, 'Goal', 'What is to be reached'),
                        new Column(self::PROGRESS, ColumnForm::Rate, '% of goal', 'Value over goal'),
                    ]
                    : [],
            ]),
        );
    }

    /** @return list<Check> */
    private static function checks(Workings $compared, TableColumns $columns): array
    {
        $isCompared = [] !== array_filter($columns->list, static fn (TableColumn $one): bool => $one->isOfVariance());
        $signs = array_map(static fn (Row $row): int => $row->shown?->getSign() ?? 0, $compared->table->parts());
        $isBoth = $columns->has(TableNumber::Share) && \in_array(1, $signs, true) && \in_array(-1, $signs, true);

        return array_values(
            array_filter([
                ...array_filter(
                    $compared->checks,
                    static fn (Check $check): bool => $isCompared || 'no-reference' !== $check->id,
                ),
                $isBoth
                    ? new Check('both-signs', false, 'Parts have both signs: their shares are of the net total')
                    : null,
            ]),
        );
    }

    /** @return ?Reference null: none of that scenario */
    public static function maybeReference(Workings $workings, TableColumn $column): ?Reference
    {
        foreach ($workings->table->references as $reference) {
            if ($reference->scenario === $column->scenario) {
                return $reference;
            }
        }

        return null;
    }
}

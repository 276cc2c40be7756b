<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RowKey;
use KeenMargin\Core\Question\SumKey;
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
        $compared = ComparisonWorkings::of($asked, $figures, true);
        $rows = self::withShares($compared, $columns);
        $rows = self::withProgress($rows, $asked, $figures, $columns);
        $rows = self::withTrends($rows, $compared, $asked->question, $figures, $columns);
        $rows = self::sorted($rows, $question);
        $display = $compared->context->display;

        return With::of($compared, [
            'table' => With::of($compared->table, [
                'rows' => $rows,
                'columns' => [...$compared->table->columns, ...self::columns($columns)],
            ]),
            'context' => With::of($compared->context, [
                'kind' => $recipe->kind->id(),
                'rates' => Display::inPercent(With::of($recipe->finish, ['decimals' => null])),
                'display' => $display,
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

    /** @return list<Row> */
    private static function withShares(Workings $compared, TableColumns $columns): array
    {
        $total = $compared->table->total->exact ?? $compared->table->total->shown;
        if (!$columns->has(TableNumber::Share) || null === $total || 0 === $total->getSign()) {
            return $compared->table->rows;
        }

        return array_map(
            static fn (Row $row): Row => With::of($row, [
                'values' => [...$row->values, self::SHARE => self::share($row, $total)],
            ]),
            $compared->table->rows,
        );
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
     * @param list<Row> $rows
     *
     * @return list<Row>
     *
     * @throws NotAccepted
     */
    private static function withProgress(array $rows, Recipe $asked, Figures $figures, TableColumns $columns): array
    {
        if (!$columns->has(TableNumber::Progress)) {
            return $rows;
        }
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

        return array_map(static function (Row $row) use ($goals): Row {
            $own = $goals[$row->key->id] ?? [];

            return With::of($row, [
                'values' => [...$row->values, ...$own, self::PROGRESS => $own[GoalNumbers::PERCENT] ?? null],
            ]);
        }, $rows);
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

    /**
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    private static function withTrends(
        array $rows,
        Workings $compared,
        Question $question,
        Figures $figures,
        TableColumns $columns,
    ): array {
        if (!$columns->has(TableNumber::Trend)) {
            return $rows;
        }
        $measure = $compared->context->measure();
        $trends = Trends::of(Scope::of($question, $figures->dataset(), $measure, $measure->sources()), $figures);

        return array_map(
            static fn (Row $row): Row => With::of($row, ['trend' => $trends[$row->key->id] ?? null]),
            $rows,
        );
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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Comparison;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\CellFigures;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\ColumnFormula;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Landing;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\PanelRows;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slice;
use KeenMargin\Core\Workings\Rows\Slices;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;
use KeenMargin\Core\Workings\Words\SummaryWriter;
use KeenMargin\Core\Workings\Words\UnlikeWords;

/** From a recipe and figures to the workings of a comparison with references, over periods or by members. */
final readonly class ComparisonWorkings
{
    /**
     * @param bool $isUnitOfParts whether the unit is the one that fits the largest row: a total of many would leave
     *                            these no digits. Else it fits the total as well.
     *
     * @throws NotAccepted
     */
    public static function of(Recipe $recipe, Figures $figures, bool $isUnitOfParts = false): Workings
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        $measure = RecipeFit::insist($recipe, $dataset);
        $lines = NetLines::maybe($question, $measure, $dataset);
        $figures = match (true) {
            null !== $lines => new NetFigures($figures, $lines),
            [] === $question->against => $figures,
            default => CellFigures::of($figures, $measure),
        };
        $scope = Scope::of($question, $dataset, $measure, $measure->sources());
        $made = new ComparisonRows($scope, $measure, $figures);
        $references = array_map(Reference::scenario(...), $question->against);
        $slices = Slices::planned($scope, $figures, $made, $question->where, true);
        $totals = ComparisonTotals::of($scope, $made, $slices, $measure, $figures, references: $references);
        $landing = $question->landing ? $totals->landing : null;
        $rows = self::rows($scope, $figures, $slices, $made, reference: $references[0] ?? null, landing: $landing);
        $finish = $isUnitOfParts ? self::inUnitOfParts($recipe->finish, $measure, $rows) : $recipe->finish;
        $display = Display::of($measure, $finish, $rows);
        $forecast = $totals->showsForecast ? $question->forecast : null;
        $shown = self::shown($question->scenario, $forecast);
        $summary = self::summary(
            scope: $scope,
            subject: NetLines::subject($question, $measure, $dataset),
            phrases: new RowPhrases($display, $shown, $references[0] ?? null),
            totals: $totals,
            rows: $rows,
            shows: $made->comparison->shows(...),
        );
        $columns = self::columns($scope, $made->comparison, $references, $display, null === $forecast ? null : $shown);

        $table = new WorkingsTable(
            rows: $rows,
            columns: $columns,
            references: $references,
            total: $totals->total,
            toDate: $totals->toDate,
            landing: $totals->landing?->total,
        );
        $context = $scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: $forecast,
            display: $display,
            proRata: (new OpenMonthChecks($scope, $made->comparison))->subtitle($question->against),
        );
        $words = new UnlikeWords($dataset, $question->breakdown());
        $context = With::of(
            $context, ['unlike' => array_filter(array_map($words->subtitle(...), $totals->total->unlike))],
        );
        $net = $totals->isNet ? NetCheck::of($scope, $made->comparison, $slices, $totals->total) : null;
        $checks = (new ComparisonChecks($scope, $made->comparison))->of(
            $rows, $slices->hasTotal() ? $totals->total : null, $net, $references, $totals->landing,
        );
        $unlike = $words->checks($totals->total, ...$references);
        $sentences = $summary->write(null !== $totals->toDate, $totals->landing);

        return new Workings($table, $context, $sentences, [...$checks, ...$unlike]);
    }

    /** The column that the chart shows: of one scenario, or of forecast where periods are open. */
    private static function shown(Scenario $scenario, ?Scenario $forecast): Column
    {
        if (null === $forecast) {
            return new Column($scenario->value, ColumnForm::Amount, '', '');
        }

        return new Column(
            'shown',
            ColumnForm::Amount,
            'Shown',
            "{$scenario->value} where closed, then {$forecast->value}",
            [
                new ColumnFormula(DerivationRule::Same, $scenario->value),
                new ColumnFormula(DerivationRule::Same, $forecast->value),
            ],
        );
    }

    /**
     * @param list<Row> $rows
     * @param \Closure(Period): bool $shows whether a period has a value
     */
    private static function summary(
        Scope $scope,
        string $subject,
        RowPhrases $phrases,
        ComparisonTotals $totals,
        array $rows,
        \Closure $shows,
    ): SummaryWriter {
        $isClosed = static fn (Row $row): bool => RowRole::Row === $row->role
            && null !== $row->period
            && $row->isClosedThrough($scope->closing);

        return new SummaryWriter(
            $subject,
            $phrases,
            self::summedUp($scope, $rows, null !== $totals->toDate),
            $totals->toDate ?? $totals->total,
            new SummaryPeriods(null === $totals->toDate ? $scope->fine : $scope->closedThisYear(), $shows),
            isRunning: null !== $scope->question->cumulate,
            closed: array_values(array_filter($rows, $isClosed)),
        );
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Row> those that the summary speaks of: parts, and where it is to date those of the closed year
     */
    private static function summedUp(Scope $scope, array $rows, bool $isToDate): array
    {
        $isOfYear = static fn (Row $row): bool => null === $row->period
            || ($row->isClosedThrough($scope->closing)
                && $scope->isClosedThisYear($row->own?->first() ?? $row->period));

        return array_values(array_filter(
            $rows,
            static fn (Row $row): bool => $row->role->isPart() && (!$isToDate || $isOfYear($row)),
        ));
    }

    /** @param list<Row> $rows */
    private static function inUnitOfParts(Finish $finish, Measure $measure, array $rows): Finish
    {
        $parts = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart()));

        return null !== $finish->unit || [] === $parts
            ? $finish
            : With::of($finish, ['unit' => Display::of($measure, $finish, $parts)->unit]);
    }

    /** @return list<Row> */
    private static function rows(
        Scope $scope,
        Figures $figures,
        Slices $slices,
        ComparisonRows $made,
        ?Reference $reference,
        ?Landing $landing,
    ): array {
        $order = $scope->question->order ?? Order::Given;
        $panels = Panels::of($scope, $figures, $made, $slices->reach(), $scope->question->where);
        $row = static fn (Slice $slice, Panel $panel): Row => $made->row($slice, $panel);

        return PanelRows::of(
            $scope,
            $panels,
            $order,
            $reference,
            static fn (Panel $panel): array => array_map(
                static fn (Slice $slice): Row => $row($slice, $panel),
                $slices->of($panel->where, $landing),
            ),
        );
    }

    /**
     * @param list<Reference> $references
     *
     * @return list<Column>
     */
    private static function columns(
        Scope $scope,
        Comparison $comparison,
        array $references,
        Display $display,
        ?Column $shown,
    ): array {
        $isSeen = static fn (Scenario $scenario): bool => null !== $shown
            || $scenario !== $scope->question->forecast
            || \in_array($scenario, $scope->question->against, true);
        $columns = [];
        foreach (array_filter($scope->scenarios(), $isSeen) as $scenario) {
            $proRata = $comparison->takesProRata($scenario) ? ' pro rata' : '';
            $rule = trim(ucfirst($scenario->word())."$proRata, {$display->unitText()}", ', ');
            $columns[] = new Column($scenario->value, ColumnForm::Amount, $scenario->value, $rule);
        }
        null === $shown || ($columns[] = $shown);
        $isShownBy = ['shown', $scope->question->scenario->value];
        if (null !== $scope->question->cumulate) {
            $columns[] = new Column('own', ColumnForm::Amount, 'Own', 'Shown, in the period alone');
        }
        foreach ($references as $reference) {
            array_push($columns, ...Column::against($reference, $display->inPoints, ...$isShownBy));
        }

        return $columns;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\BuildUp;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Waterfall\BridgePlan;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\NoughtPlanner;
use KeenMargin\Core\Workings\Waterfall\WaterfallChecks;
use KeenMargin\Core\Workings\Waterfall\WaterfallColumns;
use KeenMargin\Core\Workings\Waterfall\WaterfallRows;
use KeenMargin\Core\Workings\Waterfall\WaterfallScope;
use KeenMargin\Core\Workings\Waterfall\WaterfallSummary;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;

/** The workings of a build-up: steps from nought to a grand total, and each one's share of it. */
final class BuildUpWorkings
{
    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $question = With::of($recipe->question, ['against' => []]);
        $of = WaterfallScope::of($question, $measure, $figures);
        $planner = new NoughtPlanner($of);
        $leg = $planner->shown('Total');
        $plan = new BridgePlan([$leg], $planner->checks(), '', true);
        $rows = new WaterfallRows($of, $plan);
        $content = new ComparisonRows($of->scope, $measure, $of->figures);
        $panels = Panels::of($of->scope, $of->figures, $content, $leg->second->fine, $question->where);
        $all = self::shared(array_map(self::amountOnly(...), array_merge([], ...array_map($rows->of(...), $panels))));
        $display = Display::fitting(
            $measure,
            $recipe->finish,
            array_map(static fn (Row $row): ?BigDecimal => $row->values['to'] ?? null, $all),
            array_map(static fn (Row $row): ?BigDecimal => $row->values['change'] ?? null, $all),
        );
        $columns = self::columns($display);
        $isForecast =
            [] !==
            array_filter(
                $all,
                static fn (Row $row): bool => !$row->role->isWhole() && Scenario::Forecast === $row->shownScenario,
            );
        $context = $of->scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: $isForecast ? $question->forecast : null,
            display: $display,
        );
        $summary = new WaterfallSummary(
            rows: $all,
            phrases: new RowPhrases($display, $columns[0], null),
            amount: $columns[0],
            change: $columns[0],
            share: WaterfallColumns::share(),
            shareOf: 'the total',
            moves: 'What it consists of',
        );
        $end = $summary->maybeRow(RowRole::End);
        $periods = new SummaryPeriods($leg->second->fine, static fn (): bool => true);
        $span = $periods->areAll() ? 'in all' : 'in '.$periods->name();
        $unit = trim($display->unitText());
        $subject = NetLines::subject($question, $measure, $figures->dataset(), $recipe->finish->title->what);
        $opening =
            null === $end
                ? new Sentence("There are no figures of $subject for this question.")
                : new Sentence("$subject $span: ", $summary->total($end), rtrim(" $unit"), '.');

        return new Workings(
            new WorkingsTable($all, $columns, [], new Total($end?->shown, [], [], $end->values ?? [])),
            $context,
            $summary->write($periods->name(), $unit, $opening),
            [...(new WaterfallChecks($of))->of($all), ...$plan->checks, ...self::signs($all)],
        );
    }

    /** The row without what a bridge holds it against: nothing is compared here. */
    private static function amountOnly(Row $row): Row
    {
        return With::of($row, [
            'values' => array_diff_key($row->values, ['first' => true, 'second' => true]),
            'variances' => [],
        ]);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Row> with their shares of the total of their panel
     */
    private static function shared(array $rows): array
    {
        $totals = [];
        foreach ($rows as $row) {
            if (RowRole::End === $row->role && null !== $row->shown) {
                $totals[$row->panel] = $row->shown;
            }
        }

        return Explained::ofTotal($rows, $totals);
    }

    /** @return non-empty-list<Column> */
    private static function columns(Display $display): array
    {
        return [
            new Column('amount', ColumnForm::Amount, 'Amount', trim('Shown, '.$display->unitText(), ', ')),
            WaterfallColumns::share(),
            ...WaterfallColumns::places('amount'),
        ];
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    private static function signs(array $rows): array
    {
        $signs = array_unique(array_map(
            static fn (Row $row): int => $row->role->isWhole() || null !== $row->parent
                ? 0
                : $row->values['change']?->getSign() ?? 0,
            $rows,
        ));

        return \in_array(1, $signs, true) && \in_array(-1, $signs, true)
            ? [new Check('both-signs', true, 'Amounts have both signs; shares are of the net total')]
            : [];
    }
}

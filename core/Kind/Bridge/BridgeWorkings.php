<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bridge;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Waterfall\BalancePlanner;
use KeenMargin\Core\Workings\Waterfall\BridgePlan;
use KeenMargin\Core\Workings\Waterfall\BridgePlanner;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\PeriodPlanner;
use KeenMargin\Core\Workings\Waterfall\WaterfallChecks;
use KeenMargin\Core\Workings\Waterfall\WaterfallColumns;
use KeenMargin\Core\Workings\Waterfall\WaterfallRows;
use KeenMargin\Core\Workings\Waterfall\WaterfallScope;
use KeenMargin\Core\Workings\Waterfall\WaterfallSummary;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;

/** The workings of a bridge: from one scenario, span of time or member to another. */
final class BridgeWorkings
{
    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $of = WaterfallScope::of($recipe->question, $measure, $figures);
        $plan = self::plan($of, $recipe->question);
        $content = new ComparisonRows($of->scope, $measure, $of->figures);
        $rows = new WaterfallRows($of, $plan);
        $panels = Panels::of($of->scope, $of->figures, $content, $plan->span(), $of->scope->question->where);
        $all = Explained::bySign(array_merge([], ...array_map($rows->of(...), $panels)));
        $end = self::maybeWhole($all, RowRole::End);
        $total = new Total($end?->shown, ['first' => $end?->variances['first'] ?? null], [], $end->values ?? []);
        $display = Display::fitting(
            $measure,
            $recipe->finish,
            array_map(static fn (Row $row) => $row->values['to'] ?? null, $all),
            array_map(static fn (Row $row) => $row->values['change'] ?? null, $all),
        );
        $reference = new Reference('first', $plan->start()->name, $plan->start()->word);
        $columns = self::columns($recipe->question, $plan, $reference, $display);
        $checks = new WaterfallChecks($of);
        $context = $of->scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: null,
            display: $display,
            namesReference: false,
            says: $plan->words,
            proRata: $plan->proRata,
        );

        return new Workings(
            new WorkingsTable($all, $columns, [$reference], $total),
            $recipe->question->bridge instanceof PeriodBridge ? $context->timeless() : $context,
            self::summary(
                of: $of,
                plan: $plan,
                rows: $all,
                phrases: new RowPhrases($display, $columns[1], $reference),
                columns: $columns,
                subject: NetLines::subject(
                    $recipe->question, $measure, $figures->dataset(), $recipe->finish->title->what,
                ),
            ),
            [...$checks->of($all), ...self::missing($all), ...$plan->checks, ...$checks->absent($all, $plan)],
        );
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    private static function missing(array $rows): array
    {
        return [] === $rows
            ? [new Check(
                'total-missing', false, 'One of the totals has no figures, so that nothing leads to the other',
            )]
            : [];
    }

    /** @throws NotAccepted */
    private static function plan(WaterfallScope $of, Question $question): BridgePlan
    {
        $bridge = $question->bridge;

        return match (true) {
            $bridge instanceof ScenarioBridge => (new BridgePlanner($of))->scenarios($bridge),
            $bridge instanceof PeriodBridge => (new PeriodPlanner($of))->plan($bridge),
            $bridge instanceof BalanceBridge => (new BalancePlanner($of))->plan($bridge),
            $bridge instanceof Between => (new BridgePlanner($of))->members($bridge),
            default => throw new NotAccepted('question.bridge', 'A bridge needs what it leads from and to.'),
        };
    }

    /** @param list<Row> $rows */
    private static function maybeWhole(array $rows, RowRole $role): ?Row
    {
        foreach ($rows as $row) {
            if ($role === $row->role && null === $row->key->panel) {
                return $row;
            }
        }

        return null;
    }

    /** @return non-empty-list<Column> start, end, variances, share, places */
    private static function columns(
        Question $question,
        BridgePlan $plan,
        Reference $reference,
        Display $display,
    ): array {
        $unit = $display->unitText();
        $rule = static fn (string $of): string => trim(ucfirst($of).", $unit", ', ');
        $changes = Column::against($reference, $display->inPoints, 'second');
        $named = ['Change', 'Change %'];

        $drivers = null === $question->drivers ? [] : WaterfallColumns::drivers($question->drivers->volume);

        return [
            new Column('first', ColumnForm::Amount, $plan->start()->name, $rule($plan->start()->word)),
            new Column('second', ColumnForm::Amount, $plan->end()->name, $rule($plan->end()->word)),
            ...array_map(
                static fn (Column $column, int $i): Column => With::of($column, [
                    'head' => $named[$i] ?? $column->head,
                ]),
                $changes,
                array_keys($changes),
            ),
            WaterfallColumns::explains(),
            ...$drivers,
            ...WaterfallColumns::places([] === $drivers ? $changes[0]->id() : 'amount'),
        ];
    }

    /** @param non-empty-list<Column> $columns */
    private static function change(array $columns): Column
    {
        foreach ($columns as $column) {
            if (ColumnForm::Change === $column->form) {
                return $column;
            }
        }

        return $columns[2] ?? $columns[0];
    }

    /**
     * @param list<Row> $rows
     * @param non-empty-list<Column> $columns
     */
    private static function summary(
        WaterfallScope $of,
        BridgePlan $plan,
        array $rows,
        RowPhrases $phrases,
        array $columns,
        string $subject,
    ): Summary {
        $summary = new WaterfallSummary(
            rows: $rows,
            phrases: $phrases,
            amount: $columns[1],
            change: self::change($columns),
            share: WaterfallColumns::explains(),
            shareOf: '',
            moves: 'What moved it',
        );
        [$start, $end] = [$summary->maybeRow(RowRole::Start), $summary->maybeRow(RowRole::End)];
        $periods = new SummaryPeriods($plan->span(), static fn (): bool => true);
        $span =
            $periods->areAll() || $of->scope->question->bridge instanceof PeriodBridge
                ? ''
                : ' in '.$periods->name();
        $opening =
            null === $start || null === $end
                ? new Sentence("There are no figures of $subject for this question.")
                : new Sentence(
                    "$subject$span: from ",
                    $phrases->number($columns[0], $start, $start->key),
                    "{$phrases->unit()} ({$plan->start()->word}) to ",
                    $phrases->number($columns[1], $end, $end->key),
                    "{$phrases->unit()} ({$plan->end()->word}), ",
                    $phrases->variance($end, $end->key) ?? '',
                    '' === $phrases->unit(true) ? '' : $phrases->unit(true),
                    ...null === $end->variances['first']?->percent() || !isset($columns[3])
                        ? []
                        : [' (', $phrases->number($columns[3], $end, $end->key), ' %)'],
                    ...['.'],
                );
        $label = "From {$plan->start()->name} to {$plan->end()->name}".('' === $span ? '' : ', '.$periods->name());

        return $summary->write($label, trim($phrases->display->unitText()), $opening);
    }
}

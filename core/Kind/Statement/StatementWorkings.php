<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Statement;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
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
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Waterfall\ExactNumber;
use KeenMargin\Core\Workings\Waterfall\Explained;
use KeenMargin\Core\Workings\Waterfall\NoughtPlanner;
use KeenMargin\Core\Workings\Waterfall\WaterfallChecks;
use KeenMargin\Core\Workings\Waterfall\WaterfallColumns;
use KeenMargin\Core\Workings\Waterfall\WaterfallScope;
use KeenMargin\Core\Workings\Waterfall\WaterfallSummary;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;

/** The workings of a statement: what is shown, and each reference, line by line to the result. */
final class StatementWorkings
{
    private const NAMED = 3;

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $question = $recipe->question;
        $of = WaterfallScope::of($question, $measure, $figures);
        $lines = NetFigures::maybeLines($figures->dataset()) ?? throw new \LogicException('There are no lines.');
        $planner = new NoughtPlanner($of);
        $made = new StatementRows($of, $lines, $planner);
        $content = new ComparisonRows($of->scope, $measure, $of->figures);
        $panels = Panels::of($of->scope, $of->figures, $content, $made->leg()->second->fine, $question->where);
        $rows = array_merge([], ...array_map($made->of(...), $panels));
        $rows = Explained::ofTotal($rows, self::largest($rows));
        $references = array_map(Reference::scenario(...), $question->against);
        $display = Display::fitting(
            $measure,
            $recipe->finish,
            array_map(static fn (Row $row): ?BigDecimal => $row->values['to'] ?? null, $rows),
            array_map(static fn (Row $row): ?BigDecimal => $row->values['change'] ?? null, $rows),
        );
        $isForecast =
            [] !== array_filter($rows, static fn (Row $row): bool => Scenario::Forecast === $row->shownScenario);
        $context = $of->scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: $isForecast ? $question->forecast : null,
            display: $display,
            says: [] === $references ? null : self::columnsSay($isForecast, $question),
        );
        $columns = self::columns($context->shownCode(), $references, $display);
        $phrases = new RowPhrases($display, $columns[0], $references[0] ?? null);
        $summary = new WaterfallSummary(
            rows: $rows,
            phrases: $phrases,
            amount: $columns[0],
            change: $columns[0],
            share: WaterfallColumns::share(),
            shareOf: self::firstWhole($rows),
            moves: 'What it consists of',
        );
        $end = $summary->maybeRow(RowRole::End);
        $periods = new SummaryPeriods($made->leg()->second->fine, static fn (): bool => true);
        $note = $display->unitText().([] === $references ? '' : ', against '.$references[0]->word);

        return new Workings(
            new WorkingsTable(
                $rows,
                $columns,
                $references,
                new Total($end?->shown, $end->variances ?? [], [], $end->values ?? []),
            ),
            $context,
            $summary->write($periods->name(), trim($note, ', '), self::opening($summary, $phrases, $periods, $end)),
            [...(new WaterfallChecks($of))->of($rows), ...$planner->checks(), ...self::ties($made, $rows, $recipe)],
        );
    }

    /** `AC, BU and PY` */
    private static function columnsSay(bool $isForecast, Question $question): string
    {
        $shown = $question->scenario->value.($isForecast && null !== $question->forecast ? '/FC' : '');
        $codes = array_map(static fn (Scenario $one): string => $one->value, $question->against);

        return Wording::and([$shown, ...$codes]);
    }

    /**
     * Name of the first subtotal, or of the result.
     *
     * @param list<Row> $rows
     */
    private static function firstWhole(array $rows): string
    {
        foreach ($rows as $row) {
            if ($row->role->isWhole()) {
                return RowRole::End === $row->role ? 'the result' : $row->name;
            }
        }

        return 'the result';
    }

    private static function opening(
        WaterfallSummary $summary,
        RowPhrases $phrases,
        SummaryPeriods $periods,
        ?Row $end,
    ): Sentence {
        if (null === $end) {
            return new Sentence('There are no figures of the statement for this question.');
        }
        $variance = $phrases->variance($end, $end->key);

        return new Sentence(
            $end->name.($periods->areAll() ? '' : " in {$periods->name()}").': ',
            $summary->total($end),
            $phrases->unit(),
            ...null === $variance || null === $phrases->reference
                ? []
                : [', ', $variance, " against {$phrases->reference->word}"],
            ...['.'],
        );
    }

    /**
     * What shares of lines are of: the first subtotal, of revenue for instance; else the result.
     *
     * @param list<Row> $rows
     *
     * @return array<string, BigDecimal> by panel
     */
    private static function largest(array $rows): array
    {
        $wholes = [];
        foreach ($rows as $row) {
            if ($row->role->isWhole() && null !== $row->shown) {
                $wholes[$row->panel] ??= $row->shown;
            }
        }

        return $wholes;
    }

    /**
     * @param list<Reference> $references
     *
     * @return non-empty-list<Column>
     */
    private static function columns(string $shown, array $references, Display $display): array
    {
        $unit = $display->unitText();
        $rule = static fn (string $of): string => trim(
            ucfirst($of).", with the sign of what the line does, $unit", ', ',
        );
        $columns = [new Column('amount', ColumnForm::Amount, $shown, $rule('shown'))];
        foreach ($references as $reference) {
            $columns[] = new Column($reference->key, ColumnForm::Amount, $reference->short, $rule($reference->word));
        }
        foreach ($references as $reference) {
            array_push($columns, ...Column::against($reference, $display->inPoints, 'amount'));
        }
        $columns[] = WaterfallColumns::share();
        array_push($columns, ...WaterfallColumns::places('amount'));
        foreach ($references as $reference) {
            array_push($columns, ...WaterfallColumns::places($reference->key, $reference->key));
        }

        return $columns;
    }

    /**
     * Whether the statement's own subtotals are what its lines come to.
     *
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    private static function ties(StatementRows $made, array $rows, Recipe $recipe): array
    {
        $tied = $wrong = [];
        foreach ($made->statedLines() as $line) {
            $stated = $made->stated($line, $recipe->question->where);
            foreach ($rows as $row) {
                $isOf = $row->role->isWhole() && $row->name === $line && null === $row->key->panel;
                if ($isOf && null !== $row->shown && null !== $stated) {
                    ExactNumber::isEqual($stated, $row->shown) ? ($tied[] = $line) : ($wrong[] = $line);
                }
            }
        }
        $named = Wording::some([] === $wrong ? $tied : $wrong, self::NAMED);

        return match (true) {
            [] !== $wrong => [
                new Check('statement-ties', false, "The lines do not come to what the file states for $named"),
            ],
            [] !== $tied => [new Check('statement-ties', true, "Lines come to what the file states for $named")],
            default => [],
        };
    }
}

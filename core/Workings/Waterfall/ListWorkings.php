<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\ListFigures;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\GivenList;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Words\RowPhrases;

/** The workings of a list that says which of its rows are start, subtotals and end. */
final class ListWorkings
{
    /**
     * Null where the figures are no such list.
     *
     * @throws NotAccepted
     */
    public static function maybe(Recipe $recipe, Figures $figures): ?Workings
    {
        $question = $recipe->question;
        $list = null === $question->bridge ? GivenList::maybe($figures->dataset(), $question->roles) : null;
        if (null === $list || $question->breakdown() !== $list->breakdown->name) {
            return null;
        }
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $stated = $figures instanceof ListFigures ? $figures->stated : $figures;
        $of = WaterfallScope::of(With::of($question, ['against' => []]), $measure, $stated);
        $leg = (new NoughtPlanner($of))->shown('End');
        $rows = (new ListRows($of, $list, $leg->second->periods, $leg->second->fine))->rows();
        $rows = Explained::bySign($rows);
        $display = Display::fitting(
            $measure,
            $recipe->finish,
            array_map(static fn (Row $row): ?BigDecimal => $row->values['to'] ?? null, $rows),
            array_map(static fn (Row $row): ?BigDecimal => $row->values['change'] ?? null, $rows),
        );
        $unit = $display->unitText();
        $amount = new Column('amount', ColumnForm::Amount, 'Amount', trim("As given, $unit", ', '));
        $columns = [$amount, WaterfallColumns::explains(), ...WaterfallColumns::places('amount')];
        $phrases = new RowPhrases($display, $amount, null);
        $summary = new WaterfallSummary(
            rows: $rows,
            phrases: $phrases,
            amount: $amount,
            change: $amount,
            share: WaterfallColumns::explains(),
            shareOf: '',
            moves: 'What moved it',
        );
        [$start, $end] = [$summary->maybeRow(RowRole::Start), $summary->maybeRow(RowRole::End)];
        $opening = match (true) {
            null === $end => new Sentence("There are no figures of {$measure->name} for this question."),
            null === $start => new Sentence("{$measure->name} comes to ", $summary->total($end), $phrases->unit(), '.'),
            default => new Sentence(
                "{$measure->name}: from ",
                $summary->total($start),
                "{$phrases->unit()} ({$start->name}) to ",
                $summary->total($end),
                " ({$end->name}).",
            ),
        };
        $context = $of->scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: null,
            display: $display,
            says: 'as given',
        );

        return new Workings(
            new WorkingsTable($rows, $columns, [], new Total($end?->shown, [], [], $end->values ?? [])),
            $context,
            $summary->write($end->name ?? '', trim($unit), $opening),
            (new WaterfallChecks($of))->of($rows),
        );
    }
}

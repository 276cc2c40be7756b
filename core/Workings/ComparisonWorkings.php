<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Order;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RecipeFit;
use KeenMargin\Core\Time\PeriodNames;

/** From a recipe and figures to the workings of a comparison with references, over periods or by members. */
final readonly class ComparisonWorkings
{
    private const LINE_PERIODS = 60;

    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        $measure = RecipeFit::insist($recipe, $dataset);
        $scope = Scope::of($question, $dataset, $measure, $measure->sources());
        $all = $figures->sums($measure->sources(), $question->where);
        $amounts = Amounts::ofSums($measure, $all);
        $made = new ComparisonRows($scope, $measure, $amounts->derivesPriorYear());
        $references = array_map(Reference::scenario(...), $question->against);

        $whole = $made->over($all);
        $showsForecast = null !== $question->forecast && Scenario::Actual === $question->scenario && [] !== array_filter($scope->fine, static fn ($period): bool => $period->isAfter($scope->closing) && $whole->shows($period));
        $slices = Slices::planned($scope, $figures, $question->where);
        $total = !$slices->hasTotal() ? Total::none($references) : $whole->whole($scope->fine, $scope->scenarios());
        $closed = $scope->closedThisYear();
        $toDate = [] === $closed || null !== $question->breakdown() ? null : $whole->whole($closed, $scope->scenarios());
        $landing = $showsForecast && null === $question->breakdown() ? $whole->whole($scope->wholeYear(), $scope->scenarios()) : null;
        $covered = array_values(array_filter(null === $toDate ? $scope->fine : $closed, $whole->shows(...)));

        $rows = self::rows($scope, $figures, $slices, $made, $references[0] ?? null, $recipe->finish->landing && null !== $landing);
        if ('gap-line' === $recipe->kind && \count($scope->range->periods($question->grain() ?? $dataset->grain, $dataset->calendar)) > self::LINE_PERIODS) {
            throw new NotAccepted('question.span', 'A gap line shows '.self::LINE_PERIODS.' periods at most; ask for fewer of them, or by a coarser grain.');
        }
        $display = Display::of($measure, $recipe->finish, $rows);
        $final = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart() && (null === $toDate || null === $row->period || $scope->isClosedThisYear($row->period))));
        $shown = $showsForecast ? new Column('shown', ColumnForm::Amount, 'Shown', "{$question->scenario->value} where closed, then {$question->forecast->value}") : new Column($question->scenario->value, ColumnForm::Amount, '', '');
        $reading = new ReadingWriter($measure->name, new Telling($display, $shown, $references[0] ?? null), $final, $covered[0] ?? null, $covered[\count($covered) - 1] ?? null, isRunning: null !== $question->cumulate, closed: array_values(array_filter($rows, static fn (Row $row): bool => RowRole::Row === $row->role && null !== $row->period && $row->period->lastDay() <= $scope->closing->lastDay())));

        return new Workings(
            $recipe->kind,
            $scope->who(),
            $measure->name,
            $measure,
            $scope->better,
            $question->scenario,
            $showsForecast ? $question->forecast : null,
            $references,
            $question->by,
            $scope->closing,
            $scope->range,
            $scope->span(),
            $rows,
            self::columns($scope, $references, $display, $showsForecast ? $shown : null),
            $total,
            $toDate,
            $landing,
            $display,
            ComparisonChecks::of($scope, $rows, $slices->hasTotal() ? $total : null, $references, $amounts->derivesPriorYear()),
            $reading->write($toDate ?? $total, null !== $toDate, $landing, PeriodNames::full($scope->year)),
            $question->cumulate,
        );
    }

    /** @return list<Row> */
    private static function rows(Scope $scope, Figures $figures, Slices $slices, ComparisonRows $made, ?Reference $reference, bool $lands): array
    {
        $order = $scope->question->order ?? Order::Given;

        return PanelRows::of($scope, $figures, $order, $reference, static fn (Panel $panel): array => array_map(static fn (Slice $slice): Row => $made->row($slice, $panel->name), $slices->of($panel->where, $lands)));
    }

    /**
     * @param list<Reference> $references
     *
     * @return list<Column>
     */
    private static function columns(Scope $scope, array $references, Display $display, ?Column $shown): array
    {
        $columns = array_map(static fn (Scenario $scenario): Column => new Column($scenario->value, ColumnForm::Amount, $scenario->value, trim(ucfirst($scenario->word()).', '.$display->unitText(), ', ')), array_values(array_filter($scope->scenarios(), static fn (Scenario $scenario): bool => null !== $shown || $scenario !== $scope->question->forecast || \in_array($scenario, $scope->question->against, true))));
        null === $shown || $columns[] = $shown;
        if (null !== $scope->question->cumulate) {
            $columns[] = new Column('own', ColumnForm::Amount, 'Own', 'Shown, in the period alone');
        }
        foreach ($references as $reference) {
            array_push($columns, ...Column::against($reference, $display->inPoints));
        }

        return $columns;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\NetFigures;
use KeenMargin\Core\Figures\Series\CellFigures;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\NetLines;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Checks\CurrencyCheck;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Checks\RowChecks;
use KeenMargin\Core\Workings\Checks\RowSums;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\ColumnFormula;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\PanelRows;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;
use KeenMargin\Core\Workings\Words\SummaryWriter;
use KeenMargin\Core\Workings\Words\UnlikeWords;

/** The workings of a hat graph: two members of a breakdown, compared in each row. */
final readonly class HatWorkings
{
    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $lines = NetLines::maybe($question, $measure, $figures->dataset());
        // Two lines are compared as they came.
        $isNet = null !== $lines && $lines->name !== $question->between?->field;
        $figures = $isNet ? new NetFigures($figures, $lines) : CellFigures::of($figures, $measure);
        $between = (new HatQuestion($figures->dataset()))->between($question);
        $scope = Scope::of($question->asking(against: []), $figures->dataset(), $measure, $measure->sources());
        $reference = new Reference('first', self::name($between->first), self::name($between->first));
        $made = new HatRows($scope, $figures, $between, new ComparisonRows($scope, $measure, $figures));
        $slices = Slices::planned($scope, $figures, $made->content, $made->both($question->where));
        $panels = Panels::of($scope, $figures, $made->content, $slices->reach(), $made->both($question->where));
        $rows = PanelRows::of(
            $scope,
            $panels,
            $question->order ?? Order::Given,
            $reference,
            static fn (Panel $panel): array => $made->rows($panel, $slices),
        );
        $total = $slices->hasTotal() ? $made->total() : Total::none([$reference]);
        $display = Display::of($measure, $recipe->finish, $rows);
        $second = self::name($between->second);
        $summary = new SummaryWriter(
            measure: "$second, ".Wording::withinSentence($measure->name),
            telling: new RowPhrases($display, new Column('second', ColumnForm::Amount, '', ''), $reference),
            rows: array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart())),
            headline: $total,
            periods: new SummaryPeriods($scope->fine, $made->content->comparison->shows(...)),
            shown: $second,
            moves: 'Where they differ most',
        );

        $isForecast = static fn (Row $row): bool => $row->shownScenario === $question->forecast;
        $context = $scope->context(
            kind: $recipe->kind->id(),
            subject: $measure->name,
            measures: [$measure],
            forecast: [] === array_filter($rows, $isForecast) ? null : $question->forecast,
            display: $display,
            where: [new MemberFilter($between->field, [$between->first, $between->second])],
            namesReference: false,
        );
        $checks = self::checks(
            scope: $scope,
            made: $made,
            rows: $rows,
            total: $slices->hasTotal() ? $total : null,
            first: $reference,
            second: $second,
        );
        $words = new UnlikeWords($figures->dataset(), $question->breakdown(), $between->field);
        $context = With::of($context, ['unlike' => array_filter(array_map($words->subtitle(...), $total->unlike))]);
        array_push($checks, ...$words->checks($total, $reference));
        $table = new WorkingsTable($rows, self::columns($reference, $second, $display), [$reference], $total);

        return new Workings($table, $context, $summary->write(false), $checks);
    }

    /** How a member is called. */
    public static function name(string $member): string
    {
        return '' === $member ? '(blank)' : $member;
    }

    /** @return list<Column> */
    private static function columns(Reference $reference, string $second, Display $display): array
    {
        $shown = trim('Shown, '.$display->unitText(), ', ');

        return [
            new Column('first', ColumnForm::Amount, $reference->short, $shown),
            new Column('second', ColumnForm::Amount, $second, $shown),
            ...self::changes($reference, $second, $display->inPoints),
        ];
    }

    /** @return list<Column> */
    private static function changes(Reference $reference, string $second, bool $inPoints): array
    {
        $rule = "$second minus {$reference->word}";
        $minus = [new ColumnFormula(DerivationRule::Minus, 'second', 'first')];
        $percent = [new ColumnFormula(DerivationRule::Percent, 'variance:first', 'first')];

        return $inPoints
            ? [new Column('first', ColumnForm::Points, 'Change', "$rule, in points", $minus)]
            : [
                new Column('first', ColumnForm::Variance, 'Change', $rule, $minus),
                new Column(
                    'first', ColumnForm::Percent, 'Change %', "Change over the size of {$reference->word}", $percent,
                ),
            ];
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    private static function checks(
        Scope $scope,
        HatRows $made,
        array $rows,
        ?Total $total,
        Reference $first,
        string $second,
    ): array {
        $comparison = $made->content->comparison;
        $leftOut = $total->leftOut['first'] ?? new LeftOut();
        $says = (new PeriodsOfRows($scope))->leftOut($leftOut, $second, $first->word);

        return array_values(
            array_filter([
                null === $total ? RowChecks::noTotal($scope) : (new RowSums($scope, $comparison))->check($rows, $total),
                RowChecks::missing($scope, $rows, $comparison->showsAny(...)),
                ...RowChecks::absent($scope, $rows, [$first], $second),
                $leftOut->isEmpty() ? null : new Check('one-sided', false, "$says, so not compared"),
                ...(new OpenMonthChecks($scope, $comparison))->of([]),
                CurrencyCheck::maybe($scope),
                ...RowChecks::notices($scope),
            ]),
        );
    }
}

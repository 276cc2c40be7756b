<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Hat;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Order;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Checks\CurrencyCheck;
use KeenMargin\Core\Workings\Checks\RowChecks;
use KeenMargin\Core\Workings\Checks\RowSums;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\PanelRows;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;
use KeenMargin\Core\Workings\Words\SummaryWriter;

/** Two members of a breakdown, held against each other in each row. */
final readonly class HatWorkings
{
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $measure = RecipeFit::insist($recipe, $figures->dataset());
        $between = QuestionFit::between($question, $figures->dataset());
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
        $reading = new SummaryWriter(
            "$second, ".Wording::withinSentence($measure->name),
            new RowPhrases($display, new Column('second', ColumnForm::Amount, '', ''), $reference),
            array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart())),
            $total,
            new SummaryPeriods($scope->fine, $made->content->comparison->shows(...)),
            $second,
            'Where they differ most',
        );

        return new Workings(
            $recipe->kind,
            $scope->who(),
            $measure->name,
            $measure,
            $scope->better,
            $question->scenario,
            [] === array_filter($rows, static fn (Row $row): bool => $row->shownScenario === $question->forecast)
                ? null
                : $question->forecast,
            [$reference],
            $question->by,
            $scope->closing,
            $scope->range,
            $scope->span(),
            $rows,
            [
                new Column(
                    'first',
                    ColumnForm::Amount,
                    $reference->short,
                    trim('Shown, '.$display->unitText(), ', '),
                ),
                new Column('second', ColumnForm::Amount, $second, trim('Shown, '.$display->unitText(), ', ')),
                ...self::changes($reference, $second, $display->inPoints),
            ],
            $total,
            null,
            null,
            $display,
            self::checks($scope, $made, $rows, $slices->hasTotal() ? $total : null, $reference, $second),
            $reading->write(false),
            $question->cumulate,
            $between,
        );
    }

    /** @return list<Column> */
    private static function changes(Reference $reference, string $second, bool $inPoints): array
    {
        $rule = "$second minus {$reference->word}";

        return $inPoints
            ? [new Column('first', ColumnForm::Points, 'Change', "$rule, in points")]
            : [
                new Column('first', ColumnForm::Variance, 'Change', $rule),
                new Column('first', ColumnForm::Percent, 'Change %', "Change over the size of {$reference->word}"),
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
                null === $total
                    ? RowChecks::noTotal($scope)
                    : (new RowSums($scope, $comparison))->check($rows, $total),
                RowChecks::missing($scope, $rows, $comparison->showsAny(...)),
                ...RowChecks::absent($scope, $rows, [$first], $second),
                $leftOut->isEmpty() ? null : new Check('one-sided', false, "$says, so not compared"),
                CurrencyCheck::maybe($scope),
                ...RowChecks::notices($scope),
            ]),
        );
    }

    private static function name(string $member): string
    {
        return '' === $member ? '(blank)' : $member;
    }
}

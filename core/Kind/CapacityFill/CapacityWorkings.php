<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Checks\CurrencyCheck;
use KeenMargin\Core\Workings\Checks\OpenMonthChecks;
use KeenMargin\Core\Workings\Checks\RowChecks;
use KeenMargin\Core\Workings\Checks\RowSums;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\ColumnFormula;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Extreme;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Sentence;
use KeenMargin\Core\Workings\Result\Summary;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;
use KeenMargin\Core\Workings\Rows\Panel;
use KeenMargin\Core\Workings\Rows\PanelRows;
use KeenMargin\Core\Workings\Rows\Panels;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slice;
use KeenMargin\Core\Workings\Rows\Slices;
use KeenMargin\Core\Workings\Words\PeriodsOfRows;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Core\Workings\Words\SummaryPeriods;
use KeenMargin\Core\Workings\Words\SummaryWriter;

/** How full something is: used and unused of a total, the rate, and what was aimed at. */
final readonly class CapacityWorkings
{
    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        RecipeFit::insist($recipe, $dataset);
        $measures = (new CapacityQuestion($dataset))->measures($question);
        $measure = $measures['used'] ?? ($measures['total'] ?? $measures['unused']);
        $scope = Scope::of(
            $question,
            $dataset,
            $measure,
            array_map(static fn (Measure $one): string => $one->name, array_values($measures)),
        );
        $made = new CapacityRows($scope, $measures, $figures);
        $onTotal = $made->isTargetOnTotal();
        $whole = new Slice(
            key: RowKey::sum(SumKey::Total),
            label: 'Total',
            name: 'Total',
            role: RowRole::Total,
            fine: $scope->fine,
            own: $scope->fine,
            sums: $figures->sums($scope->sources, $question->where),
        );
        $slices = Slices::planned($scope, $figures, $made, $question->where);
        $panels = Panels::of($scope, $figures, $made, $slices->reach(), $question->where);
        $row = static fn (Slice $slice, Panel $panel): Row => $made->row($slice, $panel);
        $inPanel = static fn (Panel $panel): array => array_map(
            static fn (Slice $slice): Row => $row($slice, $panel),
            $slices->of($panel->where),
        );
        $rows = self::extremes(PanelRows::of(
            $scope,
            $panels,
            $question->order ?? Order::Given,
            new Reference('rateTarget', '', ''),
            $inPanel,
        ));
        $all = $slices->hasTotal() ? $made->row($whole, Panel::only($question->where)) : null;
        $display = self::display($measure, $recipe->finish, $rows);
        $rates = Display::inPercent($recipe->finish);
        $aim = ($question->against[0] ?? null)?->word() ?? 'target';
        $rate = new Reference(
            'rateTarget',
            'target',
            null === $question->target?->number ? $aim : 'target',
            $question->against[0] ?? null,
        );
        $references = [$rate, new Reference('target', 'target', $aim, $question->against[0] ?? null)];
        $total =
            null === $all
                ? Total::none($references)
                : new Total($all->values['rate'] ?? null, $all->variances, [], $all->values);
        $subject = ($measures['used'] ?? null)->name ?? 'Used';
        $of = ($measures['total'] ?? null)->name ?? 'the total';

        $name = $subject.' of '.Wording::withinSentence($of);
        $explanations = self::explanations($rows, $onTotal, $aim, $rates);
        $isForecast = static fn (Row $row): bool => $row->shownScenario === $question->forecast;
        $context = $scope->context(
            kind: $recipe->kind->id(),
            subject: $name,
            measures: [
                $measure,
                ...array_values(array_filter($measures, static fn (Measure $one): bool => $one !== $measure)),
            ],
            forecast: [] === array_filter($rows, $isForecast) ? null : $question->forecast,
            display: $display,
            rates: $rates,
            explanations: $explanations,
            namesReference: [] === $explanations,
        );

        return new Workings(
            new WorkingsTable($rows, self::columns($onTotal, $aim, $display), $references, $total),
            $context,
            self::summary(
                subject: $name, made: $made, scope: $scope, rows: $rows, total: $total, rates: $rates, reference: $rate,
            ),
            self::checks($scope, $made, $rows, $all, $measures),
        );
    }

    /** @param list<Row> $rows whose amounts and gaps to the target are all written in one unit */
    private static function display(Measure $measure, Finish $finish, array $rows): Display
    {
        $amounts = $gaps = [];
        foreach ($rows as $row) {
            foreach (['used', 'total', 'target'] as $part) {
                $amounts[] = $row->values[$part] ?? null;
            }
            $gaps[] = ($row->variances['target'] ?? null)?->amount;
        }

        return Display::fitting($measure, $finish, $amounts, $gaps);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Row> with the largest and smallest rate of each chart marked; of equal ones the earliest
     */
    private static function extremes(array $rows): array
    {
        $ends = [];
        foreach ($rows as $i => $row) {
            $rate = $row->role->isPart() ? $row->values['rate'] ?? null : null;
            if (null === $rate) {
                continue;
            }
            [$most, $least] = $ends[$row->key->panel->id ?? ''] ?? [[$i, $rate], [$i, $rate]];
            $ends[$row->key->panel->id ?? ''] = [
                $rate->isGreaterThan($most[1]) ? [$i, $rate] : $most,
                $rate->isLessThan($least[1]) ? [$i, $rate] : $least,
            ];
        }
        foreach ($ends as [$most, $least]) {
            $rows[$least[0]] = $rows[$least[0]]->marked(Extreme::Smallest);
            $rows[$most[0]] = $rows[$most[0]]->marked(Extreme::Largest);
        }

        return array_values($rows);
    }

    /** @return list<Column> */
    private static function columns(?bool $onTotal, string $aim, Display $display): array
    {
        $unit = $display->unitText();

        return [
            new Column('used', ColumnForm::Amount, 'Used', trim("Used, $unit", ', ')),
            new Column('unused', ColumnForm::Amount, 'Unused', 'Total minus used', [
                new ColumnFormula(DerivationRule::Minus, 'total', 'used'),
            ]),
            new Column('total', ColumnForm::Amount, 'Total', 'Used and unused'),
            ...null === $onTotal
                ? []
                : [
                    new Column(
                        'target',
                        ColumnForm::Amount,
                        ucfirst($aim),
                        ucfirst($aim).' of '.($onTotal ? 'the total' : 'what is used'),
                    ),
                    new Column('target', ColumnForm::Variance, 'Gap', ($onTotal ? 'Total' : 'Used')." minus $aim", [
                        new ColumnFormula(DerivationRule::Minus, $onTotal ? 'total' : 'used', 'target'),
                    ]),
                ],
            new Column('rate', ColumnForm::Rate, 'Rate %', 'Used over total', [
                new ColumnFormula(DerivationRule::Rate, 'used', 'total'),
            ]),
            new Column('rateTarget', ColumnForm::Rate, 'Target rate %', 'What the rate was to be'),
            new Column('rateTarget', ColumnForm::Points, "\u{0394} rate", 'Rate minus target rate, in points', [
                new ColumnFormula(DerivationRule::Minus, 'rate', 'rateTarget'),
            ]),
        ];
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<string> what marks stand for, in the subtitle
     */
    private static function explanations(array $rows, ?bool $onTotal, string $aim, Display $rates): array
    {
        $targets = array_filter(
            array_map(static fn (Row $row): ?BigDecimal => $row->values['rateTarget'] ?? null, $rows),
        );
        // A target that differs by less than is written is still one.
        $differing = array_column(
            array_map(static fn (BigDecimal $target): array => [$target->toString(), $target], array_values($targets)),
            1,
            0,
        );
        $written = array_values(array_unique(array_map($rates->amount(...), array_values($differing))));

        return array_values(
            array_filter([
                null === $onTotal ? '' : "$aim of ".($onTotal ? 'the total' : 'what is used').' marked',
                [] === $written ? '' : 'rate against '.(1 === \count($written) ? "{$written[0]} %" : $aim),
            ]),
        );
    }

    /** @param list<Row> $rows */
    private static function summary(
        string $subject,
        CapacityRows $made,
        Scope $scope,
        array $rows,
        Total $total,
        Display $rates,
        Reference $reference,
    ): Summary {
        $parts = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart()));
        $telling = new RowPhrases($rates, new Column('rate', ColumnForm::Rate, '', ''), $reference);
        $shows = static fn (Period $period): bool => $made->showsAny(new FinePeriods([$period]));
        $summary = (new SummaryWriter(
            $subject,
            $telling,
            $parts,
            $total,
            new SummaryPeriods($scope->fine, $shows),
            moves: 'Farthest from the target',
        ))->write(false);
        $namesYears =
            \count(array_unique(array_map(static fn (Row $row): int => $row->period?->yearNumber() ?? 0, $parts))) > 1;
        $said = [];
        foreach ([[Extreme::Largest, 'Fullest'], [Extreme::Smallest, 'emptiest']] as [$extreme, $word]) {
            $row =
                null === ($parts[0]->key->panel ?? null)
                    ? array_values(
                        array_filter($parts, static fn (Row $one): bool => $one->extreme === $extreme),
                    )[0] ?? null
                    : null;
            null === $row
                || array_push(
                    $said,
                    ([] === $said ? '' : '; ')."$word: ",
                    $telling->name($row, $namesYears),
                    ', ',
                    $telling->amount($row, $row->key),
                    ' %',
                );
        }

        $isAimed = [] !== array_filter($parts, static fn (Row $row): bool => null !== $telling->of($row));

        return [] === $said
            ? $summary
            : new Summary(
                $summary->headline,
                $summary->movers,
                [
                    ...$isAimed ? $summary->sentences : \array_slice($summary->sentences, 0, 1),
                    new Sentence(...[...$said, '.']),
                ],
                $summary->moves,
            );
    }

    /**
     * @param list<Row> $rows
     * @param array<string, Measure> $measures
     *
     * @return list<Check>
     */
    private static function checks(Scope $scope, CapacityRows $made, array $rows, ?Row $all, array $measures): array
    {
        $named = static fn (callable $is): string => Wording::some(
            array_map(static fn (Row $row): string => $row->label, array_values(array_filter($rows, $is))),
            3,
        );
        $of = static fn (Row $row, string $part): BigDecimal => $row->values[$part] ?? BigDecimal::zero();
        $isFigured = static fn (Row $row): bool => null !== ($row->values['used'] ?? ($row->values['total'] ?? null));
        $untied = $named(
            static fn (Row $row): bool => 3 === \count($measures)
                && $isFigured($row)
                && !$of($row, 'used')->plus($of($row, 'unused'))->isEqualTo($of($row, 'total')),
        );
        $over = $named(
            static fn (Row $row): bool => $isFigured($row) && $of($row, 'used')->isGreaterThan($of($row, 'total')),
        );
        $sums = new RowSums($scope, $made->comparison);

        $names = new PeriodsOfRows($scope);
        $partly = $made->partlyCovered($scope->fine);
        $untargeted = $made->withoutTarget($scope->fine)->only(
            static fn (Period $period): bool => [] === array_filter(
                $scope->question->against,
                static fn (Scenario $one): bool => $made->comparison->isUncut($one, $period),
            ),
        );
        $aim = ($scope->question->against[0] ?? null)?->word() ?? 'target';
        $lacking = array_filter($rows, static fn (Row $row): bool => $row->role->isPart() && $row->lacksPart);

        return array_values(
            array_filter([
                null === $all
                    ? RowChecks::noTotal($scope)
                    : $sums->check($rows, new Total($all->shown, $all->variances), ['target']),
                new Check(
                    'parts-make-total',
                    '' === $untied,
                    '' === $untied
                        ? 'Used and unused make the total'
                        : "Used and unused do not make the total for $untied",
                ),
                new Check(
                    'within-capacity',
                    '' === $over,
                    '' === $over ? 'Nowhere is more used than there is' : "More is used than there is in $over",
                ),
                RowChecks::missing($scope, $rows, $made->showsAny(...)),
                [] === $lacking
                    ? null
                    : new Check(
                        'absent-part',
                        true,
                        Wording::count(\count($lacking), "{$scope->rowWord()} has", "{$scope->rowsWord()} have").
                            ' a figure of one part only; the other counts as nothing',
                    ),
                ...RowChecks::absent(
                    $scope,
                    $rows,
                    [new Reference('target', 'target', $aim)],
                    true === $made->isTargetOnTotal() ? 'total' : 'use',
                ),
                $partly->isEmpty()
                    ? null
                    : new Check('left-out-parts', false, "{$names->names($partly->list)}: not all parts, so left out"),
                $untargeted->isEmpty()
                    ? null
                    : new Check(
                        'left-out-target', false, "{$names->names($untargeted->list)}: no $aim, so not compared",
                    ),
                ...(new OpenMonthChecks($scope, $made->comparison))->of($scope->question->against),
                CurrencyCheck::maybe($scope),
                ...RowChecks::notices($scope),
            ]),
        );
    }
}

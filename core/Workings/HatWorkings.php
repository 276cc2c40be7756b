<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Question\Between;
use KeenMargin\Core\Question\Order;
use KeenMargin\Core\Question\QuestionFit;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Question\RecipeFit;

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
        $made = new ComparisonRows($scope, $measure);
        $slices = Slices::planned($scope, $figures, self::only($between, [$between->first, $between->second], $question->where));
        $rows = self::rows($scope, $figures, $between, $slices, $reference, $made);
        $total = $slices->hasTotal() ? self::total($scope, $figures, $between, $rows, $made) : Total::none([$reference]);
        $display = Display::of($measure, $recipe->finish, $rows);
        $second = self::name($between->second);
        $covered = array_values(array_filter($scope->fine, $made->over($figures->sums($measure->sources(), self::only($between, [$between->second], $question->where)))->shows(...)));
        $reading = new ReadingWriter("$second, ".Wording::withinSentence($measure->name), new Telling($display, new Column('second', ColumnForm::Amount, '', ''), $reference), array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart())), $covered[0] ?? null, $covered[\count($covered) - 1] ?? null, $second, 'Where they differ most');

        return new Workings(
            $recipe->kind,
            $scope->who(),
            $measure->name,
            $measure,
            $scope->better,
            $question->scenario,
            [] === array_filter($rows, static fn (Row $row): bool => $row->shownScenario === $question->forecast) ? null : $question->forecast,
            [$reference],
            $question->by,
            $scope->closing,
            $scope->range,
            $scope->span(),
            $rows,
            [
                new Column('first', ColumnForm::Amount, $reference->short, trim('Shown, '.$display->unitText(), ', ')),
                new Column('second', ColumnForm::Amount, $second, trim('Shown, '.$display->unitText(), ', ')),
                ...self::changes($reference, $second, $display->inPoints),
            ],
            $total,
            null,
            null,
            $display,
            self::checks($scope, $rows, $slices->hasTotal() ? $total : null, $between),
            $reading->write($total, false, null, ''),
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
            : [new Column('first', ColumnForm::Variance, 'Change', $rule), new Column('first', ColumnForm::Percent, 'Change %', "Change over the size of {$reference->word}")];
    }

    /** @return list<Row> */
    private static function rows(Scope $scope, Figures $figures, Between $between, Slices $slices, Reference $reference, ComparisonRows $made): array
    {
        return PanelRows::of($scope, $figures, $scope->question->order ?? Order::Given, $reference, static function (Panel $panel) use ($scope, $between, $slices, $made): array {
            $sides = array_map(static fn (string $member): array => $slices->of(self::only($between, [$member], $panel->where)), [$between->first, $between->second]);

            return array_map(static fn (Slice $first, Slice $second): Row => self::row($scope, $second->member, $made->row($first, $panel->name), $made->row($second, $panel->name)), $sides[0], $sides[1]);
        });
    }

    private static function row(Scope $scope, ?string $member, Row $first, Row $second): Row
    {
        $variance = Variance::maybe($second->shown, $first->shown, $scope->betterOf($member), $scope->question->flag, $scope->measure->isInPercent());

        return new Row($second->key, $second->label, $second->name, ['first' => $first->shown, 'second' => $second->shown, ...null === $scope->question->cumulate ? [] : ['own' => $second->values['own'] ?? null]], null === $variance ? null : $second->shown, $second->shownScenario, ['first' => $variance], $second->role, $second->period, $second->depth, $second->panel);
    }

    /**
     * The change covers only rows that have both.
     *
     * @param list<Row> $rows
     */
    private static function total(Scope $scope, Figures $figures, Between $between, array $rows, ComparisonRows $made): Total
    {
        [$first, $second] = array_map(static fn (string $member): ?BigDecimal => $made->over($figures->sums($scope->sources, self::only($between, [$member], $scope->question->where)))->total($scope->fine)->shown, [$between->first, $between->second]);
        $sides = [$second, $first];
        if (Grouping::Sum === $scope->measure->grouping && null === $scope->question->cumulate) {
            $both = array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart() && null !== $row->shown));
            $sum = static fn (string $side): ?BigDecimal => [] === $both ? null : Decimals::sum(array_filter(array_map(static fn (Row $row): ?BigDecimal => $row->values[$side] ?? null, $both)));
            $sides = [$sum('second'), $sum('first')];
        }

        return new Total($second, ['first' => Variance::maybe($sides[0], $sides[1], $scope->better, $scope->question->flag, $scope->measure->isInPercent())], [], ['first' => $first, 'second' => $second]);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Check>
     */
    private static function checks(Scope $scope, array $rows, ?Total $total, Between $between): array
    {
        $one = array_values(array_filter($rows, static fn (Row $row): bool => null === ($row->values['first'] ?? null) xor null === ($row->values['second'] ?? null)));

        return [
            null === $total ? ComparisonChecks::noTotal() : RowSums::check($scope, $rows, $total->shown, static fn (Row $row): ?BigDecimal => $row->values['second'] ?? null),
            ComparisonChecks::missing($scope, $rows),
            ...[] === $one ? [] : [new Check('one-sided', false, 'Only one of '.self::name($between->first).' and '.self::name($between->second).' has figures for '.Wording::some(array_map(static fn (Row $row): string => $row->label, $one), 3))],
            ...ComparisonChecks::notices($scope),
        ];
    }

    /**
     * @param list<string>                    $members
     * @param list<MemberFilter|NumberFilter> $where
     *
     * @return list<MemberFilter|NumberFilter>
     */
    private static function only(Between $between, array $members, array $where): array
    {
        return [...$where, new MemberFilter($between->field, $members)];
    }

    private static function name(string $member): string
    {
        return '' === $member ? '(blank)' : $member;
    }
}

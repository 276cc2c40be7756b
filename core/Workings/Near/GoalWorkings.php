<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\Column;
use KeenMargin\Core\Workings\Result\ColumnForm;
use KeenMargin\Core\Workings\Result\ColumnFormula;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsTable;

/** The numbers of thermometers and progress lists: value, goal, percent, what remains or is over, pace. */
final class GoalWorkings
{
    private const NAMED = 3;
    /** Checks of a comparison that are about references or totals, which there are none of. */
    private const NOT_ASKED = ['rows-sum-to-total', 'no-total', 'no-reference'];

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): Workings
    {
        $of = GoalRows::of($recipe, $figures);
        $context = $of->compared->context;
        $items = array_values(array_filter($of->rows, static fn (Row $row): bool => null === $row->parent));
        $display = Display::of($context->measure(), $recipe->finish, array_map(self::amountsOnly(...), $of->rows));
        $rates = Display::inPercent(With::of($recipe->finish, ['decimals' => null]));

        return new Workings(
            new WorkingsTable($of->rows, self::columns($of, $items, $display), [], Total::none([])),
            With::of($context, [
                'kind' => $recipe->kind->id(),
                'display' => $display,
                'rates' => $rates,
                'says' => self::says($of),
                'aim' => $recipe->question->goal->aim,
                'milestones' => $recipe->question->goal->milestones(),
            ]),
            (new GoalSummary($of, $items, $display))->write($context->subject),
            self::checks($of, $items),
        );
    }

    /** The row without its percentage, which is no amount and must not decide on the unit. */
    private static function amountsOnly(Row $row): Row
    {
        return With::of($row, ['values' => array_diff_key($row->values, [GoalNumbers::PERCENT => true])]);
    }

    /**
     * @param list<Row> $items
     *
     * @return list<Column>
     */
    private static function columns(GoalRows $of, array $items, Display $display): array
    {
        $unit = trim(", {$display->unitText()}", ', ');
        $rule = static fn (string $says): string => trim("$says, $unit", ', ');
        $minus = static fn (string $first, string $second): ColumnFormula => new ColumnFormula(
            DerivationRule::Minus, $first, $second,
        );
        $percent = new ColumnFormula(DerivationRule::Rate, 'shown', GoalNumbers::GOAL);
        $areLimits = [] !== $items && [] === array_filter($items, static fn (Row $row): bool => !$row->isLimit);
        [$goal, $toGo, $behind] = $areLimits ? ['Limit', 'Left', 'Above pace'] : ['Goal', 'To go', 'Behind'];
        $word = strtolower($goal);
        $columns = [
            new Column('shown', ColumnForm::Amount, 'Value', $rule('What is shown, up to the closing period')),
            new Column(GoalNumbers::GOAL, ColumnForm::Amount, $goal, ucfirst(self::aimWord($of->aim))),
            new Column(GoalNumbers::PERCENT, ColumnForm::Rate, "% of $word", "Value over $word", [$percent]),
            new Column(GoalNumbers::REMAINING, ColumnForm::Amount, $toGo, "$goal minus value, never below nought", [
                $minus(GoalNumbers::GOAL, 'shown'),
            ]),
            new Column(GoalNumbers::OVER, ColumnForm::Amount, 'Over by', "Value minus $word, never below nought", [
                $minus('shown', GoalNumbers::GOAL),
            ]),
        ];
        if (!$of->pace->isNone()) {
            $columns[] = new Column(GoalNumbers::PACE, ColumnForm::Amount, 'Pace', self::paceRule($of));
            $columns[] = new Column(
                GoalNumbers::BEHIND,
                ColumnForm::Amount,
                $behind,
                $areLimits ? 'Value minus pace, never below nought' : 'Pace minus value, never below nought',
                [$areLimits ? $minus('shown', GoalNumbers::PACE) : $minus(GoalNumbers::PACE, 'shown')],
            );
        }
        $isNeeded =
            [] !==
            array_filter($items, static fn (Row $row): bool => null !== ($row->values[GoalNumbers::NEEDED] ?? null));
        if ($isNeeded) {
            $left = $of->contributions->left;
            $columns[] = new Column(
                GoalNumbers::NEEDED,
                ColumnForm::Amount,
                "A {$of->contributions->grain->value}",
                "What is to go over the $left ".$of->contributions->grain->plural().' that are left',
            );
        }

        return $columns;
    }

    private static function paceRule(GoalRows $of): string
    {
        return null === $of->pace->scenario
            ? 'Goal × elapsed periods ÷ all periods of the span'
            : ucfirst($of->pace->scenario->word()).' up to the closing period';
    }

    private static function aimWord(?Target $aim): string
    {
        return match (true) {
            null === $aim => 'no goal is set',
            $aim->isTotal => 'the total of all rows',
            null !== $aim->number => "a goal of {$aim->number->toString()} for each row",
            null !== $aim->scenario => "{$aim->scenario->word()} of the whole span",
            default => (string) $aim->measure,
        };
    }

    /** `AC to Aug 2026 of the budget` */
    private static function says(GoalRows $of): string
    {
        $shown = $of->compared->context->scenario->value;
        $isLimit = Better::Less === $of->compared->context->better;
        $limitOf = $isLimit ? 'the limit of ' : '';
        $goal = match (true) {
            null === $of->aim => '',
            $of->aim->isTotal => ' as shares of the total',
            null !== $of->aim->scenario => " on the way to $limitOf{$of->aim->scenario->value}",
            default => ' on the way to its '.($isLimit ? 'limit' : 'goal'),
        };

        return $shown.$goal;
    }

    /**
     * @param list<Row> $items
     *
     * @return list<Check>
     */
    private static function checks(GoalRows $of, array $items): array
    {
        $kept = array_filter(
            $of->compared->checks,
            static fn (Check $check): bool => !\in_array($check->id, self::NOT_ASKED, true)
                && !str_starts_with($check->id, 'left-out'),
        );
        $goal = static fn (Row $row): ?BigDecimal => $row->values[GoalNumbers::GOAL] ?? null;

        return array_values(
            array_filter([
                ...$kept,
                self::named(
                    'without-goal',
                    $items,
                    static fn (Row $row): bool => RowRole::Other !== $row->role && null === $goal($row),
                    ['has no goal', 'have no goal'],
                ),
                self::named(
                    'goal-of-nought',
                    $items,
                    static fn (Row $row): bool => 0 === $goal($row)?->getSign(),
                    ['has a goal of nought, which nothing is a part of', 'have a goal of nought'],
                ),
                self::named(
                    'goal-below-nought',
                    $items,
                    static fn (Row $row): bool => -1 === $goal($row)?->getSign(),
                    ['has a goal below nought, which nothing is a part of', 'have a goal below nought'],
                ),
                self::bothSigns($of, $items),
                self::layers($of->rows, $items),
            ]),
        );
    }

    /**
     * @param list<Row> $items
     * @param callable(Row): bool $isOne
     * @param array{string, string} $says of one, of several
     */
    private static function named(string $id, array $items, callable $isOne, array $says): ?Check
    {
        $found = array_map(static fn (Row $row): string => $row->label, array_values(array_filter($items, $isOne)));

        return [] === $found
            ? null
            : new Check($id, false, Wording::some($found, self::NAMED).' '.$says[1 === \count($found) ? 0 : 1]);
    }

    /**
     * Shares of a total of parts with both signs are of the net.
     *
     * @param list<Row> $items
     */
    private static function bothSigns(GoalRows $of, array $items): ?Check
    {
        $signs = array_map(static fn (Row $row): int => $row->shown?->getSign() ?? 0, $items);
        $isBoth = true === $of->aim?->isTotal && \in_array(1, $signs, true) && \in_array(-1, $signs, true);

        return $isBoth
            ? new Check('both-signs', false, 'Parts have both signs: their shares are of the net total')
            : null;
    }

    /**
     * Whether the layers of each row come to its value.
     *
     * @param list<Row> $rows
     * @param list<Row> $items
     */
    private static function layers(array $rows, array $items): ?Check
    {
        $sums = [];
        foreach ($rows as $row) {
            if (null !== $row->parent && null !== $row->shown) {
                $sums[$row->parent->id][] = $row->shown;
            }
        }
        if ([] === $sums) {
            return null;
        }
        foreach ($items as $row) {
            $layers = $sums[$row->key->id] ?? null;
            if (null !== $layers && true !== $row->shown?->isEqualTo(Decimals::sum($layers))) {
                return new Check('layers-sum', false, "The layers of $row->label do not come to its value");
            }
        }

        return new Check('layers-sum', true, 'Layers come to their values, to the last digit');
    }
}

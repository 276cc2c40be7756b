<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Fit\AimFit;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Near\Pace;
use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\Span;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\Side;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Comparison\ComparisonRows;
use KeenMargin\Core\Workings\Comparison\ComparisonWorkings;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Rows\Scope;

/**
 * Rows of values on their way to a goal. A value is of the closed periods, a goal of the whole span: what was budgeted
 * for December is a part of the year's goal in August.
 */
final readonly class GoalRows
{
    /**
     * @param list<Row> $rows without totals; layers after the row that they are parts of
     * @param list<Row> $counted those that sentences count: also the members that are gathered in one row, each for
     *                           itself
     * @param ?Target $aim null: there is none
     * @param Pace $pace as it was asked for, or found
     * @param Contributions $contributions over the span
     * @param Workings $compared the comparison that rows were taken from
     */
    private function __construct(
        public array $rows,
        public ?Target $aim,
        public Pace $pace,
        public Contributions $contributions,
        public Workings $compared,
        public array $counted,
    ) {}

    /** @throws NotAccepted */
    public static function of(Recipe $recipe, Figures $figures): self
    {
        $question = $recipe->question;
        $dataset = $figures->dataset();
        $aim = self::aim($question, $dataset);
        $pace = self::pace($question, $aim, $dataset);
        $order = \in_array($question->order, [Order::LargestFirst, Order::SmallestFirst], true);
        $asked = OtherRows::asking($recipe, [
            'against' => null === $aim?->scenario ? [] : [$aim->scenario],
            'forecast' => null,
            'landing' => false,
            ...$order && null === $question->top ? ['order' => null] : [],
        ]);
        $compared = ComparisonWorkings::of($asked, $figures);
        $scope = Scope::of(
            $asked->question, $dataset, $compared->context->measure(), $compared->context->measure()->sources(),
        );
        $made = new ComparisonRows($scope, $scope->measure, $figures);
        $contributions = new Contributions($scope, $made->comparison);
        $measured = null === $aim?->measure ? [] : OtherRows::of($asked, $aim->measure, $figures);
        $rows = self::withGoals($compared, $aim, $measured);
        $phased = self::phased($recipe, $pace, $scope, $figures, $made->comparison);
        $tell = static fn (Row $row): Row => self::told(
            row: $row,
            pace: $pace,
            phased: $phased[$row->key->id] ?? null,
            scope: $scope,
            contributions: $contributions,
            isShare: true === $aim?->isTotal,
        );
        $told = array_map($tell, $rows);
        $each = OtherRows::maybeUngathered($compared, $asked, $figures);
        $counted = null === $each ? $told : array_map($tell, self::withGoals($each, $aim, $measured));
        $told = $order && null === $question->top ? self::ordered($told, $question->order) : $told;
        $told = true === $aim?->isTotal ? $told : GoalEstimates::of($told, $scope, $figures, $made, $contributions);

        return new self(
            rows: null === $question->goal->layers
                ? $told
                : GoalLayers::of($told, $question->goal->layers, $asked, $figures),
            aim: $aim,
            pace: $pace,
            contributions: $contributions,
            compared: $compared,
            counted: $counted,
        );
    }

    /** What is asked for, else a measure named a goal, else target, budget or forecast figures, else the total. */
    public static function aim(Question $question, Dataset $dataset): ?Target
    {
        if (null !== $question->goal->aim) {
            return $question->goal->aim;
        }
        $asked = $question->measure ?? $dataset->measures[0]->name ?? '';
        foreach ($dataset->measures as $measure) {
            $isAlike = AimFit::isOfOneUnit($measure, AimFit::shown($question, $dataset));
            $isGoal = 1 === preg_match('/\b(goal|target|planned?)s?\b/iu', $measure->name);
            if ($measure->name !== $asked && $isAlike && $isGoal) {
                return Target::measure($measure->name);
            }
        }
        foreach ([Scenario::Target, Scenario::Budget] as $scenario) {
            if ($scenario !== $question->scenario && \in_array($scenario, $dataset->scenarios(), true)) {
                return Target::scenario($scenario);
            }
        }

        return null === $question->breakdown() ? null : Target::total();
    }

    /**
     * As asked for; else phased as the goal is, where it is a scenario's, else the time elapsed. None of a share of the
     * total, which moves, too.
     */
    private static function pace(Question $question, ?Target $aim, Dataset $dataset): Pace
    {
        return match (true) {
            null === $aim || $aim->isTotal || $dataset->isTimeless() => Pace::none(),
            null !== $question->goal->pace => $question->goal->pace,
            null !== $aim->scenario => Pace::phased($aim->scenario),
            default => Pace::elapsed(),
        };
    }

    /**
     * Rows with what is shown, and their goals. What is gathered has none that is one member's, or a number.
     *
     * @param array<string, Row> $measured of the measure that is the goal, by the ids of rows' keys
     *
     * @return list<Row>
     */
    private static function withGoals(Workings $compared, ?Target $aim, array $measured): array
    {
        $rows = [];
        $isGathered = false;
        foreach ($compared->table->rows as $row) {
            // A number is the goal of a row, not of several together.
            $isSum = RowRole::Group === $row->role && null !== $aim?->number;
            if ($row->role->isWhole() || $isSum) {
                continue;
            }
            $isOther = RowRole::Other === $row->role;
            $isGathered = $isGathered || $isOther;
            $goal = match (true) {
                null === $aim, $isOther && null === $aim->scenario && !$aim->isTotal => null,
                null !== $aim->number => $aim->number,
                null !== $aim->scenario => $row->values[$aim->scenario->value] ?? null,
                $aim->isTotal => $compared->table->total->shown,
                default => ($measured[$row->key->id] ?? null)?->shown,
            };
            $isAbsent = [] !== array_filter(
                $row->variances,
                static fn (?Variance $variance): bool => Side::Shown === $variance?->absent,
            );
            $rows[$row->key->id] = With::of($row, [
                'values' => [...$row->values, GoalNumbers::GOAL => $goal],
                'lacksPart' => null === $row->shown && ($isAbsent || isset($measured[$row->key->id])),
                'variances' => [],
            ]);
        }
        foreach ($isGathered ? [] : $measured as $key => $other) {
            if (!isset($rows[$key]) && !$other->role->isSum() && null !== $other->shown) {
                $rows[$key] = With::of($other, [
                    'values' => [GoalNumbers::GOAL => $other->shown],
                    'shown' => null,
                    'exact' => null,
                    'variances' => [],
                    'lacksPart' => true,
                ]);
            }
        }

        return array_values($rows);
    }

    /**
     * What the pace's scenario has up to the closing period.
     *
     * @return array<string, Row> by the ids of rows' keys
     *
     * @throws NotAccepted
     */
    private static function phased(
        Recipe $recipe,
        Pace $pace,
        Scope $scope,
        Figures $figures,
        Comparison $comparison,
    ): array {
        $closed = $scope->fine->only(static fn (Period $period): bool => !$period->isAfter($scope->closing));
        [$from, $to] = [$closed->first(), $closed->last()];
        // A phased figure of a month that is not over is no place to stand on the way through it.
        $isOfMonth = null !== $pace->scenario && $comparison->leavesOutOpenMonth($pace->scenario);
        if (null === $pace->scenario || null === $from || null === $to || $isOfMonth) {
            return [];
        }
        if ($comparison->takesProRata($pace->scenario)) {
            return self::phasedProRata($recipe, $pace->scenario, Span::between($from, $to), $figures);
        }
        $asked = OtherRows::asking($recipe, [
            'scenario' => $pace->scenario,
            'goal' => new Goal(),
            'forecast' => null,
            'against' => [],
            'landing' => false,
            'span' => Span::between($from, $to),
            'order' => null,
        ]);
        $rows = \in_array($pace->scenario, $scope->dataset->scenarios(), true)
            ? ComparisonWorkings::of($asked, $figures)->table->rows
            : [];

        return array_combine(array_map(static fn (Row $row): string => $row->key->id, $rows), $rows);
    }

    /**
     * The same where a part of it is taken by the days that have passed: it is what actuals are held against.
     *
     * @return array<string, Row>
     *
     * @throws NotAccepted
     */
    private static function phasedProRata(Recipe $recipe, Scenario $scenario, Span $closed, Figures $figures): array
    {
        $asked = OtherRows::asking($recipe, [
            'goal' => new Goal(),
            'forecast' => null,
            'against' => [$scenario],
            'landing' => false,
            'span' => $closed,
            'order' => null,
        ]);
        $rows = [];
        foreach (ComparisonWorkings::of($asked, $figures)->table->rows as $row) {
            $rows[$row->key->id] = With::of($row, ['shown' => $row->values[$scenario->value] ?? null, 'exact' => null]);
        }

        return $rows;
    }

    /**
     * The row with all that follows from its value, goal and pace.
     *
     * @param ?Row $phased what the pace's scenario has of it; null: nothing
     * @param bool $isShare whether the goal is the total, which nobody can reach later
     */
    private static function told(
        Row $row,
        Pace $pace,
        ?Row $phased,
        Scope $scope,
        Contributions $contributions,
        bool $isShare,
    ): Row {
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        $own = $row->own->list ?? $scope->fine->list;
        $elapsed = \count(array_filter($own, static fn (Period $period): bool => !$period->isAfter($scope->closing)));
        $at = match (true) {
            null === $goal || $pace->isNone() || $scope->dataset->isTimeless() || [] === $own => null,
            $pace->isElapsed => Fraction::of($goal->multipliedBy($elapsed), BigDecimal::of(\count($own))),
            default => $phased->exact ?? $phased?->shown,
        };
        $left = null === $row->period && !$isShare ? $contributions->left : 0;
        // Without a figure nothing has come in.
        $value = $row->exact ?? ($row->shown ?? ($row->isAbsent() ? BigDecimal::zero() : null));
        $better = null === $row->period ? $scope->betterOf($row->key->name) : $scope->better;
        $isLimit = Better::Less === $better && !$isShare;
        $numbers = GoalNumbers::of($value, $goal, $at, $left, $isLimit);
        $variance = null === $numbers[GoalNumbers::PACE]
            ? null
            : Variance::maybe(
                shown: $value,
                reference: $at,
                better: $better,
                flag: $scope->question->flag,
                inPoints: $scope->measure->isInPercent(),
            );

        return With::of($row, [
            'values' => [...$row->values, ...$numbers],
            'variances' => [GoalNumbers::PACE => $variance],
            'isLimit' => $isLimit,
        ]);
    }

    /**
     * The farthest along first, or last; those without a goal at the end. Groups keep what stands in them.
     *
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    private static function ordered(array $rows, ?Order $order): array
    {
        if ([] !== array_filter($rows, static fn (Row $row): bool => $row->depth > 0 || '' !== $row->panel)) {
            return $rows;
        }
        $turn = Order::SmallestFirst === $order ? -1 : 1;
        $percent = static fn (Row $row): ?BigDecimal => $row->values[GoalNumbers::PERCENT] ?? null;
        usort($rows, static function (Row $a, Row $b) use ($percent, $turn): int {
            [$first, $second] = [$percent($a), $percent($b)];

            return null === $first || null === $second
                ? (null === $first ? 1 : 0) - (null === $second ? 1 : 0)
                : $turn * $second->compareTo($first);
        });

        return $rows;
    }
}

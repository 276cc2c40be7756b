<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Question\Waterfall\Subtotals;
use KeenMargin\Core\Question\Waterfall\SubtotalsAt;

/**
 * Which breakdown explains a variance. For each: the fewest members whose variances of the sign of the total reach 80 %
 * of it, against how many chance would need, who takes members by their size in the reference. Breakdowns are ranked by
 * that; groups are a level of their own.
 */
final readonly class Explanations
{
    /** Share of the variance that has to be explained. */
    private const REACH = '0.8';

    /** @param ScenarioBridge $bridge from the reference to what is shown */
    private function __construct(private WaterfallScope $of, private Leg $leg, private ScenarioBridge $bridge) {}

    /**
     * @return list<Explanation> the one that explains it best first; none where nothing is compared or nothing differs
     *
     * @throws NotAccepted
     */
    public static function of(Question $question, Figures $figures): array
    {
        $bridge = self::maybeBridge($question);
        $measure = StepsFit::measure($question, $figures->dataset());
        if (null === $bridge || (!$measure->isRatio() && !$measure->isAddedOverMembers())) {
            return [];
        }
        $asked = With::of($question, ['cumulate' => null, 'landing' => false, 'bridge' => $bridge]);
        $of = WaterfallScope::of($asked, $measure, $figures);
        $leg = (new BridgePlanner($of))->scenarios($bridge)->legs[0];
        $made = new self($of, $leg, $bridge);
        $all = array_merge([], ...array_map($made->levels(...), $figures->dataset()->breakdowns));
        usort(
            $all,
            static fn (Explanation $a, Explanation $b): int => [$a->weight, \count($a->members)] <=> [
                $b->weight, \count($b->members),
            ],
        );

        return $all;
    }

    private static function maybeBridge(Question $question): ?ScenarioBridge
    {
        if ($question->bridge instanceof ScenarioBridge) {
            return new ScenarioBridge($question->bridge->from, $question->bridge->to);
        }
        $reference = null === $question->bridge ? $question->against[0] ?? null : null;

        return null === $reference || $reference === $question->scenario
            ? null
            : new ScenarioBridge($reference, $question->scenario);
    }

    /** @return list<Explanation> by the members that hold no others, and by the groups that these stand in */
    private function levels(Breakdown $breakdown): array
    {
        if ($breakdown->name === $this->fixed($breakdown)) {
            return [];
        }
        $steps = $this->steps($breakdown);
        $groups = [] === $breakdown->parents ? [] : $this->grouped($breakdown, $steps);

        return array_values(
            array_filter([
                $this->maybe($breakdown, $steps, new Subtotals()),
                \count($groups) > 1 ? $this->maybe($breakdown, $groups, new Subtotals([], SubtotalsAt::Group)) : null,
            ]),
        );
    }

    /** The name of a breakdown of which only one member is asked about; null: there are several. */
    private function fixed(Breakdown $breakdown): ?string
    {
        foreach ($this->of->scope->question->where as $filter) {
            $isOne =
                $filter instanceof MemberFilter
                && $filter->breakdown === $breakdown->name
                && $filter->keeps
                && 1 === \count($filter->members);
            if ($isOne) {
                return $breakdown->name;
            }
        }

        return null;
    }

    /** @return array<string|int, ExplainingStep> by member */
    private function steps(Breakdown $breakdown): array
    {
        $scope = $this->of->scope;
        $sums = $this->of->figures->sumsBy(
            $breakdown->name, $scope->sources, $scope->question->where, $this->of->scenarios(),
        );
        $whole = $this->of->figures->sums($scope->sources, $scope->question->where);
        $ratio = $this->of->measure->isRatio() ? new RatioSteps($this->of, $this->leg, $whole, $whole) : null;
        $steps = [];
        foreach ($sums as $member => $own) {
            $step = null === $ratio ? $this->maybeStep($own) : $this->maybeOfRatio($ratio, $own);
            null === $step || ($steps[$member] = $step);
        }

        return $steps;
    }

    private function maybeStep(Sums $own): ?ExplainingStep
    {
        $first = $this->of->amounts->together($this->leg->first->periods, $own);
        $second = $this->of->amounts->together($this->leg->second->periods, $own);
        if (null === $first && null === $second) {
            return null;
        }
        $first ??= BigDecimal::zero();

        return new ExplainingStep(ExactNumber::minus($second ?? BigDecimal::zero(), $first), $first);
    }

    private function maybeOfRatio(RatioSteps $ratio, Sums $own): ?ExplainingStep
    {
        $variance = $ratio->maybe($own, $own);
        $size = $own->added($this->of->measure->sources()[1], $this->leg->first->periods->starts);

        return null === $variance ? null : new ExplainingStep($variance->exact, $size ?? BigDecimal::zero());
    }

    /**
     * @param array<string|int, ExplainingStep> $steps
     *
     * @return array<string|int, ExplainingStep> by the outermost group, members without one by themselves
     */
    private function grouped(Breakdown $breakdown, array $steps): array
    {
        $groups = [];
        foreach ($steps as $member => $step) {
            $outermost = (string) $member;
            for ($depth = 0; isset($breakdown->parents[$outermost]) && $depth < 20; ++$depth) {
                $outermost = $breakdown->parents[$outermost];
            }
            $groups[$outermost] = isset($groups[$outermost]) ? $groups[$outermost]->plus($step) : $step;
        }

        return $groups;
    }

    /** @param array<string|int, ExplainingStep> $steps */
    private function maybe(Breakdown $breakdown, array $steps, Subtotals $subtotals): ?Explanation
    {
        $total = ExactNumber::sum(
            array_map(static fn (ExplainingStep $one): BigDecimal|Fraction => $one->change, $steps),
        );
        if (\count($steps) < 2 || 0 === $total->getSign()) {
            return null;
        }
        $sign = $total->getSign();
        $changes = ExactNumber::largestFirst(array_filter(
            array_map(static fn (ExplainingStep $one): BigDecimal|Fraction => $one->change, $steps),
            static fn (BigDecimal|Fraction $change): bool => $change->getSign() === $sign,
        ));
        $needed = self::fewest($changes, $total);
        $sizes = ExactNumber::largestFirst(
            array_map(static fn (ExplainingStep $one): BigDecimal|Fraction => $one->size, $steps),
        );
        $sizes = array_map(static fn (BigDecimal|Fraction $size): BigDecimal|Fraction => $size->abs(), $sizes);
        $byChance = max(1, self::fewest($sizes, ExactNumber::sum($sizes)));
        $members = array_map(strval(...), \array_slice(array_keys($changes), 0, $needed));
        $explained = ExactNumber::sum(\array_slice($changes, 0, $needed));
        $percent = ExactNumber::percentOf($explained, $total)?->rounded(0)->toInt() ?? 0;

        return new Explanation(
            breakdown: $breakdown->name,
            members: $members,
            among: \count($steps),
            percent: $percent,
            weight: $needed / $byChance,
            question: $this->question($breakdown, $subtotals),
        );
    }

    /**
     * How many of the numbers, the first ones first, reach the share of a total.
     *
     * @param array<BigDecimal|Fraction> $numbers
     */
    private static function fewest(array $numbers, BigDecimal|Fraction $total): int
    {
        $goal = $total->abs()->multipliedBy(BigDecimal::of(self::REACH));
        $sum = BigDecimal::zero();
        $count = 0;
        foreach ($numbers as $number) {
            $sum = ExactNumber::plus($sum, $number);
            ++$count;
            if (ExactNumber::compare($sum->abs(), $goal) >= 0) {
                break;
            }
        }

        return $count;
    }

    private function question(Breakdown $breakdown, Subtotals $subtotals): Question
    {
        $question = $this->of->scope->question;

        return With::of($question, [
            'by' => $breakdown->name,
            'bridge' => $this->bridge,
            'each' => $question->each === $breakdown->name ? null : $question->each,
            'order' => null,
            'top' => null,
            'sequence' => [],
            'opened' => [],
            'subtotals' => $subtotals,
        ]);
    }
}

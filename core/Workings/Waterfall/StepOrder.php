<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\RowKey;
use KeenMargin\Core\Question\SumKey;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\RowRole;

/** Puts steps in order, and gathers the smallest of many into one. Neither changes their sum. */
final readonly class StepOrder
{
    /** More steps than these are gathered without being asked, into so many and one. */
    private const MOST = 40;
    private const KEPT = 20;

    public function __construct(private Question $question)
    {
    }

    /**
     * @param list<Step> $steps of one leg
     * @param \Closure(list<Step>): ?Variance $together variance of several steps; null where they are no variances
     *
     * @return list<Step> what is gathered comes last
     */
    public function of(array $steps, \Closure $together): array
    {
        $top = $this->question->top ?? (\count($steps) > self::MOST ? self::KEPT : \count($steps));
        if (null !== $this->question->grain() || \count($steps) <= $top) {
            return $this->ordered($steps);
        }
        $places = array_keys($steps);
        usort(
            $places,
            static fn (int $a, int $b): int => Exact::compare($steps[$b]->size(), $steps[$a]->size()) ?: $a <=> $b,
        );
        $kept = array_fill_keys(\array_slice($places, 0, $top), true);
        $gathered = array_values(array_diff_key($steps, $kept));

        return [
            ...$this->ordered(array_values(array_intersect_key($steps, $kept))),
            $this->other($gathered, $together($gathered)),
        ];
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private function ordered(array $steps): array
    {
        $order = $this->question->order;
        if (null !== $this->question->grain()) {
            return $steps;
        }
        if (null === $order && [] !== $this->question->sequence) {
            $places = array_flip($this->question->sequence);
            $place = static fn (Step $step): int => $places[$step->key->name ?? ''] ?? \PHP_INT_MAX;
            usort($steps, static fn (Step $a, Step $b): int => $place($a) <=> $place($b));

            return $steps;
        }
        match ($order) {
            Order::LargestFirst => usort($steps, self::larger(...)),
            Order::SmallestFirst => usort($steps, static fn (Step $a, Step $b): int => self::larger($b, $a)),
            Order::FavourableFirst => usort(
                $steps,
                static fn (Step $a, Step $b): int => Exact::compare(self::benefit($b), self::benefit($a)),
            ),
            Order::Calendar, Order::Given, null => null,
        };

        return $steps;
    }

    private static function larger(Step $a, Step $b): int
    {
        return Exact::compare($b->size(), $a->size());
    }

    /** The change as far as it is for the better; below zero where it is for the worse. */
    private static function benefit(Step $step): BigDecimal|Fraction
    {
        return match ($step->effect) {
            Effect::Unfavourable => $step->size()->negated(),
            default => $step->size(),
        };
    }

    /** @param list<Step> $gathered one or more */
    private function other(array $gathered, ?Variance $variance): Step
    {
        $label = 'Other ('.\count($gathered).')';
        $exact = Exact::sum(array_map(static fn (Step $step): BigDecimal|Fraction => $step->exact, $gathered));

        return new Step(
            key: RowKey::sum(SumKey::Other)->onLeg($gathered[0]->key->leg),
            label: $label,
            name: $label,
            exact: $exact,
            role: RowRole::Other,
            values: null === $variance ? [] : ['first' => $variance->reference, 'second' => $variance->shown],
            variances: null === $variance ? [] : ['first' => $variance],
            effect: $variance->effect ?? self::effectLike($exact, $gathered),
            scenario: $gathered[0]->scenario,
            where: [],
            fine: $gathered[0]->fine,
        );
    }

    /**
     * As one of the gathered steps of the same sign has it.
     *
     * @param list<Step> $gathered
     */
    private static function effectLike(BigDecimal|Fraction $exact, array $gathered): Effect
    {
        foreach ($gathered as $step) {
            if (null !== $step->effect && 0 !== $step->sign()) {
                $isAlike = $step->sign() === $exact->getSign();

                return match (true) {
                    0 === $exact->getSign(), Effect::Neutral === $step->effect => Effect::Neutral,
                    $isAlike => $step->effect,
                    Effect::Favourable === $step->effect => Effect::Unfavourable,
                    default => Effect::Favourable,
                };
            }
        }

        return Effect::Neutral;
    }
}

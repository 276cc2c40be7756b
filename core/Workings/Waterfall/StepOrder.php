<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Waterfall;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Question\Part\Order;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Workings\Arithmetic\Effect;

/** Puts steps in order, and says how many of them stand by themselves. Neither changes their sum. */
final readonly class StepOrder
{
    /** More steps than these are gathered without being asked, into so many and one. */
    private const MOST = 40;
    private const KEPT = 20;

    public function __construct(private Question $question) {}

    /** How many of so many steps stand by themselves; the smaller ones are gathered. */
    public function kept(int $steps): int
    {
        return $this->question->top ?? ($steps > self::MOST ? self::KEPT : $steps);
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function ordered(array $steps): array
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
                static fn (Step $a, Step $b): int => ExactNumber::compare(self::benefit($b), self::benefit($a)),
            ),
            Order::Calendar, Order::Given, null => null,
        };

        return $steps;
    }

    private static function larger(Step $a, Step $b): int
    {
        return ExactNumber::compare($b->size(), $a->size());
    }

    /** The change as far as it is for the better; below zero where it is for the worse. */
    private static function benefit(Step $step): BigDecimal|Fraction
    {
        return match ($step->effect) {
            Effect::Unfavourable => $step->size()->negated(),
            default => $step->size(),
        };
    }
}

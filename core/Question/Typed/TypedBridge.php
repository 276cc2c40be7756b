<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Part\Between;
use KeenMargin\Core\Question\Waterfall\BalanceBridge;
use KeenMargin\Core\Question\Waterfall\PeriodBridge;
use KeenMargin\Core\Question\Waterfall\ScenarioBridge;
use KeenMargin\Core\Time\Period;

/** Reads what a bridge leads from and to: `budget to actual`, `2025 to 2026`, `North to Holm`, `opening to closing`. */
final readonly class TypedBridge
{
    /** @param Period $closing of the question */
    public function __construct(private Dataset $dataset, private Period $closing) {}

    /** @throws NotAccepted */
    public function of(string $text): ScenarioBridge|PeriodBridge|BalanceBridge|Between
    {
        $plain = (string) preg_replace('/^from\s+/iu', '', trim($text, " .\t"));
        $parts = preg_split('/\s*(?:→|->|\bto\b(?!\s+date))\s*/iu', $plain, -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return $this->maybeBalance($parts) ??
            ($this->maybeScenarios($parts) ??
                ($this->maybePeriods($parts) ??
                    ($this->maybeMembers($parts) ??
                        throw new NotAccepted(
                            'text',
                            "\"$text\" does not say from what to what. Write it like budget to actual, or 2025 ".
                                'to 2026, or with two members of one breakdown.',
                        ))));
    }

    /** @param list<string> $parts */
    private function maybeBalance(array $parts): ?BalanceBridge
    {
        $isBalance =
            2 === \count($parts)
            && 1 === preg_match('/^(its )?opening/i', $parts[0])
            && 1 === preg_match('/^closing/i', $parts[1]);

        return $isBalance ? new BalanceBridge() : null;
    }

    /** @param list<string> $parts */
    private function maybeScenarios(array $parts): ?ScenarioBridge
    {
        $scenarios = array_map(ScenarioWords::maybe(...), $parts);
        $known = array_values(array_filter($scenarios, static fn (?Scenario $one): bool => null !== $one));
        if (\count($known) < 2 || \count($known) < \count($parts)) {
            return null;
        }

        return new ScenarioBridge($known[0], $known[\count($known) - 1], \array_slice($known, 1, -1));
    }

    /** @param list<string> $parts */
    private function maybePeriods(array $parts): ?PeriodBridge
    {
        if (2 !== \count($parts) || $this->dataset->isTimeless()) {
            return null;
        }
        $typed = new TypedSpan($this->dataset->calendar, $this->closing);
        $isYearBefore = 1 === preg_match('/^(?:a |the )?year (?:before|earlier)$/i', $parts[0]);
        [$from, $to] = [$isYearBefore ? null : $typed->maybe($parts[0]), $typed->maybe($parts[1])];

        return null === $to || (null === $from && !$isYearBefore) ? null : new PeriodBridge($from, $to);
    }

    /** @param list<string> $parts */
    private function maybeMembers(array $parts): ?Between
    {
        foreach (2 === \count($parts) ? $this->dataset->breakdowns : [] as $breakdown) {
            $first = TypedNames::maybeOne($parts[0], $breakdown->members);
            $second = TypedNames::maybeOne($parts[1], $breakdown->members);
            if (null !== $first && null !== $second && $first !== $second) {
                return new Between($breakdown->name, $first, $second);
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Fit;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Between;
use KeenMargin\Core\Question\Capacity;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Time\Grain;

/** What a kind needs of the figures, and the question that it asks of them, as near as can be to the one before. */
final readonly class KindNeeds
{
    private const LINE_PERIODS = 60;
    private const USED = '/\b(used|occupied|sold|booked|taken|filled|consumed)\b/i';
    private const UNUSED = '/\b(unused|free|empty|unsold|vacant|idle|left)\b/i';
    private const WHOLE = '/\b(total|offered|capacity|available|supply|supplied)\b/i';

    public function __construct(private Dataset $dataset)
    {
    }

    /** A sentence about what is missing; none where the figures can answer the kind. */
    public function lacks(string $kind): ?string
    {
        $hasReference = \count($this->dataset->scenarios()) > 1;

        return match (true) {
            $this->dataset->isTimeless() && ('gap-line' === $kind || [] === $this->dataset->breakdowns) => 'The '
                .'figures have no periods.',
            \in_array($kind, ['nested-columns', 'target-marks', 'gap-line'], true) && !$hasReference => 'A second '
                .'scenario to compare with is missing, such as a budget, a target or a prior year.',
            'hat' === $kind && null === $this->maybeBetween(null) => 'A breakdown with two members is missing.',
            'capacity-fill' === $kind && null === $this->maybeCapacity() => 'Two measures of one unit are missing, '
                .'such as what is used and what there is in all.',
            default => null,
        };
    }

    /** Keeps all that the kind can use; also what it has no use for, so that the way back is open. */
    public function adapted(string $kind, Question $question): Question
    {
        return match ($kind) {
            'hat' => $this->hat($question),
            'capacity-fill' => $this->compared(
                $question->asking(capacity: $question->capacity ?? $this->maybeCapacity()),
                [Scenario::Target, Scenario::Budget],
            ),
            'gap-line' => $this->line($this->compared($question)),
            'nested-columns', 'target-marks' => $this->compared(
                $question,
                'target-marks' === $kind ? [Scenario::Target] : [],
            ),
            default => $question,
        };
    }

    /** @param list<Scenario> $rather */
    private function compared(Question $question, array $rather = []): Question
    {
        $there = array_values(
            array_filter(
                $this->dataset->scenarios(),
                static fn (Scenario $scenario): bool => $scenario !== $question->scenario,
            ),
        );
        $wanted = array_values(
            array_filter(
                [...$rather, Scenario::Budget, Scenario::Target, Scenario::PriorYear, ...$there],
                static fn (Scenario $scenario): bool => \in_array($scenario, $there, true),
            ),
        );

        return [] === $question->against && [] !== $wanted ? $question->asking(against: [$wanted[0]]) : $question;
    }

    private function line(Question $question): Question
    {
        if (null !== $question->grain() && $this->count($question, $question->grain()) <= self::LINE_PERIODS) {
            return $question;
        }
        foreach ($this->dataset->grain->coarser() as $grain) {
            if (Grain::Day !== $grain && $this->count($question, $grain) <= self::LINE_PERIODS) {
                return $question->asking(by: $grain);
            }
        }

        return $question->asking(by: Grain::Year);
    }

    private function count(Question $question, Grain $grain): int
    {
        $closing = $question->closedThrough ?? $this->dataset->closing();
        $range =
            null === $question->span
                ? $this->dataset->range()
                : $question->span->resolve($closing, $this->dataset->calendar, $this->dataset->range());

        return \count($range->belonging($grain, $this->dataset->calendar));
    }

    private function hat(Question $question): Question
    {
        $between = $question->between ?? $this->maybeBetween($question->breakdown());
        if (null === $between || $between->field !== $question->breakdown()) {
            return $question->asking(between: $between);
        }
        foreach ($this->dataset->breakdowns as $breakdown) {
            if ($breakdown->name !== $between->field) {
                return $question->asking(by: $breakdown->name, between: $between);
            }
        }

        return $question->asking(
            by: Grain::Day === $this->dataset->grain ? Grain::Month : $this->dataset->grain,
            between: $between,
        );
    }

    /** @param ?string $by the breakdown that rows are of, which the two had better not be members of */
    private function maybeBetween(?string $by): ?Between
    {
        $able = array_values(
            array_filter(
                $this->dataset->breakdowns,
                static fn (Breakdown $one): bool => \count(self::leaves($one)) > 1,
            ),
        );
        // Of a list without periods the rows have to be another breakdown.
        if ($this->dataset->isTimeless() && \count($this->dataset->breakdowns) < 2) {
            return null;
        }
        usort(
            $able,
            static fn (Breakdown $a, Breakdown $b): int => [$a->name === $by, \count(self::leaves($a))] <=> [
                $b->name === $by,
                \count(self::leaves($b)),
            ],
        );
        $leaves = [] === $able ? [] : self::leaves($able[0]);

        return [] === $able ? null : new Between($able[0]->name, $leaves[0], $leaves[1]);
    }

    /** By their names where these tell it; else the first two of a unit, the second as the total. */
    private function maybeCapacity(): ?Capacity
    {
        $byUnit = [];
        foreach ($this->dataset->measures as $measure) {
            if (Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers() && null === $measure->band) {
                $byUnit[$measure->unit][] = $measure->name;
            }
        }
        $able = array_values(array_filter($byUnit, static fn (array $names): bool => \count($names) > 1));
        if ([] === $able) {
            return null;
        }
        foreach ($able as $names) {
            $unused = self::called(self::UNUSED, $names);
            $used = self::called(self::USED, array_values(array_diff($names, [$unused])));
            $whole = self::called(self::WHOLE, array_values(array_diff($names, [$unused, $used])));
            if (\count(array_filter([$used, $unused, $whole])) > 1) {
                return null !== $used && null !== $whole
                    ? new Capacity($used, null, $whole)
                    : new Capacity($used, $unused, $whole);
            }
        }

        return new Capacity($able[0][0], null, $able[0][1]);
    }

    /** @param list<string> $names */
    private static function called(string $pattern, array $names): ?string
    {
        return array_values(
            array_filter($names, static fn (string $name): bool => 1 === preg_match($pattern, $name)),
        )[0] ?? null;
    }

    /** @return list<string> members that hold no others */
    private static function leaves(Breakdown $breakdown): array
    {
        return array_values(array_diff($breakdown->members, $breakdown->groups()));
    }
}

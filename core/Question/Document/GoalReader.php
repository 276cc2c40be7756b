<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\Near\Goal;
use KeenMargin\Core\Question\Near\Pace;
use KeenMargin\Core\Question\Near\Target;

/** Reads and writes what is to be reached in the course of time: goal, milestones, pace and layers. */
final class GoalReader
{
    public const KEYS = ['goal', 'milestones', 'pace', 'layers'];
    private const MOST_MILESTONES = 10;

    /**
     * Of a question's object.
     *
     * @throws NotAccepted
     */
    public static function of(Given $question): Goal
    {
        return new Goal(
            self::maybeAim($question->maybe('goal')),
            self::maybeMilestones($question->maybe('milestones')),
            self::maybePace($question->maybe('pace')),
            $question->maybe('layers')?->string(),
        );
    }

    /** @return array<string, mixed> keys of a question */
    public static function toArray(Goal $goal): array
    {
        $milestones = $goal->milestones;

        return [
            'goal' => true === $goal->aim?->isTotal ? 'total' : NearWriter::target($goal->aim),
            'milestones' => null === $milestones
                ? null
                : array_map(static fn (BigDecimal $one): string => $one->toString(), $milestones),
            'pace' => match (true) {
                null === $goal->pace => null,
                $goal->pace->isElapsed => 'elapsed',
                default => $goal->pace->scenario->value ?? 'none',
            },
            'layers' => $goal->layers,
        ];
    }

    /** @throws NotAccepted */
    private static function maybeAim(?Given $given): ?Target
    {
        return true === $given?->is('total') ? Target::total() : NearReader::maybeTarget($given);
    }

    /**
     * @return list<BigDecimal>|null
     *
     * @throws NotAccepted
     */
    private static function maybeMilestones(?Given $given): ?array
    {
        if (null === $given) {
            return null;
        }
        $milestones = array_map(static fn (Given $one): BigDecimal => $one->size(), $given->list(1));
        if (\count($milestones) > self::MOST_MILESTONES) {
            throw $given->refuse('ten milestones at most');
        }
        foreach ($milestones as $place => $one) {
            $before = $milestones[$place - 1] ?? BigDecimal::zero();
            if ($one->isLessThanOrEqualTo($before)) {
                throw $given->refuse('percentages that rise');
            }
        }

        return $milestones;
    }

    /** @throws NotAccepted */
    private static function maybePace(?Given $given): ?Pace
    {
        $codes = array_column(Scenario::cases(), 'value');

        return match ($given?->oneOf(['elapsed', 'none', ...$codes])) {
            null => null,
            'elapsed' => Pace::elapsed(),
            'none' => Pace::none(),
            default => Pace::phased($given->enum(Scenario::class)),
        };
    }
}

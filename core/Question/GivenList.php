<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;

/**
 * A plain list of names and amounts that says itself which rows are start, subtotal and end: by words, or as the reader
 * told.
 */
final readonly class GivenList
{
    private const START = '/^(?:start|opening|beginning|initial|brought forward|anfangs?(?:bestand)?|ouverture)\b/iu';
    private const END = '/^(?:end(?:ing|e|bestand)?|closing|final|carried forward|schlussbestand|clôture)\b/iu';
    private const SUBTOTAL = '/^(?:sub-?\s?total|zwischensumme|sous-total)\b/iu';

    /** @param array<string|int, StepRole> $roles of the rows that are no steps */
    private function __construct(public Breakdown $breakdown, public array $roles)
    {
    }

    /**
     * Null where the figures are no plain list, or none of its rows is anything but a step.
     *
     * @param array<string|int, StepRole> $told by the reader, by name
     */
    public static function maybe(Dataset $dataset, array $told = []): ?self
    {
        if (!$dataset->isTimeless() || 1 !== \count($dataset->breakdowns)) {
            return null;
        }
        $breakdown = $dataset->breakdowns[0];
        $last = \count($breakdown->members) - 1;
        $roles = [];
        foreach ($breakdown->members as $place => $member) {
            $role = $told[$member] ?? self::byWord($member, $place, $last);
            StepRole::Step === $role || ($roles[$member] = $role);
        }

        return [] === $roles || \count($breakdown->members) < 2 ? null : new self($breakdown, $roles);
    }

    /** @return list<string> rows that are sums of others */
    public function sums(): array
    {
        $sums = array_filter(
            $this->roles,
            static fn (StepRole $role): bool => StepRole::Subtotal === $role || StepRole::End === $role,
        );

        return array_map(strval(...), array_keys($sums));
    }

    public function role(string $member): StepRole
    {
        return $this->roles[$member] ?? StepRole::Step;
    }

    private static function byWord(string $member, int $place, int $last): StepRole
    {
        $isEnd = 1 === preg_match(self::END, $member) || TotalWords::isTotal($member);

        return match (true) {
            0 === $place && 1 === preg_match(self::START, $member) => StepRole::Start,
            $isEnd && $place === $last && $place > 0 => StepRole::End,
            1 === preg_match(self::SUBTOTAL, $member), TotalWords::isTotal($member) => StepRole::Subtotal,
            default => StepRole::Step,
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;

/**
 * Figures of one scenario that a month waits for: by when, and whether they are late. Days are counted from 1 January
 * 1970.
 */
final readonly class ExpectedFigures
{
    /**
     * @param int $due day by which they are expected
     * @param ?int $came day that they came; null: not yet, or nobody knows the day
     * @param int $late working days after the due one; 0 where they are not late
     */
    private function __construct(public ExpectedState $state, public int $due, public ?int $came, public int $late) {}

    /**
     * @param Period $closed month that is to be closed; what it waits for comes in the month after it
     * @param int $workingDay of the month after, from 1
     * @param bool $isThere whether the figures are there, on whatever day they came
     * @param bool $isNotComing whether somebody has said that there will be none
     */
    public static function of(
        WorkingDays $days,
        Period $closed,
        int $workingDay,
        int $today,
        ?int $came,
        bool $isThere,
        bool $isNotComing,
    ): self {
        $due = $days->due($closed->moved(1), $workingDay);
        $state = match (true) {
            null !== $came || $isThere => ExpectedState::Came,
            $isNotComing => ExpectedState::NotComing,
            $today > $due => ExpectedState::Late,
            default => ExpectedState::Expected,
        };
        $until = ExpectedState::Late === $state ? $today : $came ?? $due;

        return new self($state, $due, $came, $days->late($due, $until));
    }
}

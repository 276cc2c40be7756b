<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Near;

use KeenMargin\Core\Question\Near\Target;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;

/** The large number over what values on their way to goals say: how far one is, or how many are there. */
final class GoalHeadline
{
    /**
     * @param list<Row> $counted all that have a goal, each member for itself
     * @param list<Row> $items rows of the chart
     *
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    public static function ofSeveral(array $counted, array $items, ?Target $aim, string $subject): array
    {
        $reached = array_filter($counted, self::isReached(...));
        $isShare = true === $aim?->isTotal || [] === $counted;
        $label = self::areLimits($counted) ? 'Within their limits' : 'Goals reached';

        return [
            'label' => $isShare ? $subject : $label,
            'amount' => $isShare ? (string) \count($items) : \count($reached).' of '.\count($counted),
            'variance' => null,
            'percent' => null,
            'effect' => null,
            'note' => $isShare ? (1 === \count($items) ? 'part' : 'parts') : $subject,
            'row' => '',
        ];
    }

    /**
     * @return array{
     *     label: string, amount: string, variance: ?string, percent: ?string, effect: ?string, note: string,
     *     row: string,
     * }
     */
    public static function of(Row $row, string $subject, Display $display): array
    {
        $percent = $row->values[GoalNumbers::PERCENT] ?? null;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        $unit = $display->unitText();

        return [
            'label' => $row->label === $subject ? $subject : "$row->label, $subject",
            'amount' => null === $percent ? $display->amount($row->shown) : $display->format->plain($percent, 1).' %',
            'variance' => null,
            'percent' => null,
            'effect' => null,
            'note' => null === $percent ? $unit : "{$display->amount($row->shown)} of {$display->amount($goal)} $unit",
            'row' => $row->key->id,
        ];
    }

    /**
     * Whether less is better of all that have a goal, so that these are limits.
     *
     * @param list<Row> $counted
     */
    public static function areLimits(array $counted): bool
    {
        return [] !== $counted && [] === array_filter($counted, static fn (Row $row): bool => !$row->isLimit);
    }

    /** Whether a goal is reached, or a limit kept to. */
    public static function isReached(Row $row): bool
    {
        $percent = $row->values[GoalNumbers::PERCENT] ?? null;

        return $row->isLimit
            ? true === $percent?->isLessThanOrEqualTo(100)
            : true === $percent?->isGreaterThanOrEqualTo(100);
    }
}

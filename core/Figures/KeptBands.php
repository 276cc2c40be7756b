<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Time\Period;

/** Bands that belong to a measure: for all its values, or for one member; from a period on. */
final readonly class KeptBands
{
    /**
     * @param non-empty-list<BigDecimal> $limits upper ones, rising
     * @param list<string> $names from the lowest band up; one more than limits: the last band is open above; none: the
     *                            usual ones
     * @param ?Period $from null: always
     * @param ?string $breakdown null: they are for all values
     * @param ?string $member of the breakdown
     */
    public function __construct(
        public array $limits,
        public array $names = [],
        public ?Period $from = null,
        public ?string $breakdown = null,
        public ?string $member = null,
    ) {}

    /**
     * Those that a value is judged by: its member's own before those for all, and of these the latest that begin before
     * its last period does.
     *
     * @param list<self> $all
     * @param ?string $member that the value is of; null: of several, or of a period
     * @param ?Period $last null: it is of no time
     *
     * @return ?self null where there are none
     */
    public static function maybeOf(array $all, ?string $breakdown, ?string $member, ?Period $last): ?self
    {
        $best = null;
        foreach ($all as $one) {
            $isOwn = null !== $one->member;
            $isMeant = !$isOwn || ($one->breakdown === $breakdown && $one->member === $member);
            $isBegun = null === $one->from || (null !== $last && $one->from->firstDay() <= $last->lastDay());
            if ($isMeant && $isBegun && (null === $best || !self::isBefore($one, $best))) {
                $best = $one;
            }
        }

        return $best;
    }

    /** Whether another one goes before it: a member's own, and of two the one that begins later. */
    private static function isBefore(self $one, self $other): bool
    {
        $isOwn = [null !== $one->member, null !== $other->member];

        return $isOwn[0] !== $isOwn[1]
            ? $isOwn[1]
            : ($one->from?->firstDay() ?? \PHP_INT_MIN) < ($other->from?->firstDay() ?? \PHP_INT_MIN);
    }
}

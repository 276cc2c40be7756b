<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

/** When a fetch that failed is tried again: after growing pauses, then not before it is due the next time. */
final class Pauses
{
    private const MINUTES = [2, 10, 30, 120, 360];

    /**
     * @param int $failures one after the other, this one among them
     *
     * @return ?\DateTimeImmutable null: it is not tried again by itself
     */
    public static function maybeAgain(int $failures, \DateTimeImmutable $now): ?\DateTimeImmutable
    {
        $minutes = self::MINUTES[$failures - 1] ?? null;

        return null === $minutes ? null : $now->modify("+$minutes minutes");
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Period;

/** The periods that are asked for: the one that ended last and those before it that are looked at again. */
final readonly class Due
{
    /**
     * @param int $from first day, counted from 1 January 1970
     * @param int $to last day; later than the period where the running one is asked for as well
     */
    private function __construct(public Period $period, public int $from, public int $to) {}

    /**
     * @param Period $today the period that is running
     * @param int $lookBack periods, the one that ended last among them
     * @param ?int $through the last day that is asked for; null: that of the period that ended last
     */
    public static function of(Period $today, int $lookBack, ?int $through = null): self
    {
        $ended = $today->moved(-1);

        return new self(
            $ended,
            $ended->moved(1 - $lookBack)->firstDay(),
            max($ended->lastDay(), $through ?? $ended->lastDay()),
        );
    }

    /** @return array<string, string> by placeholder: `{period}`, `{from}`, `{to}` */
    public function placeholders(): array
    {
        return [
            '{period}' => $this->period->key(),
            '{from}' => DayKey::of($this->from),
            '{to}' => DayKey::of($this->to),
        ];
    }
}

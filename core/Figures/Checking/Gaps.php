<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;

/** A line that has figures before and after a period, and none in it. Lines that come and go are left alone. */
final class Gaps implements LineCheck
{
    /** A line with a larger part of its periods missing is irregular by nature. */
    private const LARGEST_PART = 0.25;

    /** @var list<FindingTarget> */
    private array $places = [];
    /** @var list<string> */
    private array $names = [];
    /** @var array<string, array<int, true>> starts of the periods that a scenario has at all, by its code */
    private array $covered = [];

    public function look(CheckedSeries $line): void
    {
        if (\in_array($line->dataset->grain, [Grain::Timeless, Grain::Day], true) || \count($line->amounts) < 2) {
            return;
        }
        $step = $line->period(0)->moved(1)->start - $line->period(0)->start;
        $first = array_key_first($line->amounts);
        $last = array_key_last($line->amounts);
        $missing = intdiv($last - $first, $step) + 1 - \count($line->amounts);
        if ($missing < 1 || $missing > self::LARGEST_PART * ($missing + \count($line->amounts))) {
            return;
        }
        for ($start = $first; $start < $last; $start += $step) {
            // Where the whole scenario is missing, that is said once, by another check.
            if (!isset($line->amounts[$start]) && $this->isCovered($line, $start)) {
                $this->places[] = $line->at($start);
                $this->names[] = $line->named($start);
            }
        }
    }

    private function isCovered(CheckedSeries $line, int $start): bool
    {
        $code = $line->series->scenario->value;
        $this->covered[$code] ??= array_fill_keys(
            array_map(
                static fn (Period $period): int => $period->start,
                $line->dataset->coverage->periods[$code] ?? [],
            ),
            true,
        );

        return isset($this->covered[$code][$start]);
    }

    public function finding(): CheckFinding
    {
        return [] === $this->places
            ? CheckFinding::well('gaps', 'No line has a gap')
            : CheckFinding::at(
                'gaps',
                Wording::count(\count($this->places), 'gap', 'gaps').' within lines: '.Wording::some($this->names, 2),
                $this->places,
            );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\Grain;

/** A line that has figures before and after a period, and none in it. Lines that come and go are left alone. */
final class Gaps implements LineCheck
{
    /** A line with a larger part of its periods missing is irregular by nature. */
    private const LARGEST_PART = 0.25;

    /** @var list<Place> */
    private array $places = [];
    /** @var list<string> */
    private array $names = [];

    public function look(Line $line): void
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
            if (!isset($line->amounts[$start])) {
                $this->places[] = $line->at($start);
                $this->names[] = $line->named($start);
            }
        }
    }

    public function finding(): Finding
    {
        return [] === $this->places
            ? Finding::well('gaps', 'No line has a gap')
            : Finding::at('gaps', Wording::count(\count($this->places), 'gap', 'gaps').' within lines: '.Wording::some($this->names, 2), $this->places);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;

/** A line that is positive in some periods and negative in few others: was a cost written with both signs? */
final class MixedSigns implements LineCheck
{
    /** @var list<FindingTarget> */
    private array $places = [];
    /** @var array<string, true> */
    private array $lines = [];

    public function look(CheckedSeries $line): void
    {
        $above = array_filter($line->amounts, static fn (int $amount): bool => $amount > 0);
        $below = array_filter($line->amounts, static fn (int $amount): bool => $amount < 0);
        $fewer = \count($above) < \count($below) ? $above : $below;
        $count = \count($above) + \count($below);
        // One against many is an outlier's case; half and half is what a result may well be.
        if (
            [] === $above
            || [] === $below
            || $line->isSubtotal()
            || \count($fewer) > max(1, $count / 4)
            || (1 === \count($fewer) && $count >= Outliers::FEWEST)
        ) {
            return;
        }
        foreach (array_keys($fewer) as $start) {
            $this->places[] = $line->at($start);
        }
        $this->lines[implode(', ', $line->series->members()) ?: $line->measure->name] = true;
    }

    public function finding(): CheckFinding
    {
        return [] === $this->places
            ? CheckFinding::well('mixed-signs', 'No line has mixed signs')
            : CheckFinding::at(
                'mixed-signs',
                Wording::some(array_map(strval(...), array_keys($this->lines)), 3).
                    (1 === \count($this->lines) ? ' has' : ' have').
                    ' mixed signs, in '.
                    Wording::count(\count($this->places), 'amount', 'amounts'),
                $this->places,
            );
    }
}

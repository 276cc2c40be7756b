<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Document\Wording;

/** An amount that is ten times what its line usually is, or the only one of the other sign. */
final class Outliers implements LineCheck
{
    /** Amounts that a line must have before one of them can stand out. */
    public const FEWEST = 4;
    private const TIMES = 10;

    /** @var list<FindingTarget> */
    private array $places = [];
    /** @var list<string> */
    private array $says = [];

    public function look(CheckedSeries $line): void
    {
        if (\count($line->amounts) < self::FEWEST || $line->dataset->isTimeless()) {
            return;
        }
        $sizes = array_values(array_filter(array_map(abs(...), $line->amounts)));
        sort($sizes);
        $usual = $sizes[intdiv(\count($sizes) - 1, 2)] ?? 0;
        $above = \count(array_filter($line->amounts, static fn (int $amount): bool => $amount > 0));
        $below = \count(array_filter($line->amounts, static fn (int $amount): bool => $amount < 0));
        foreach ($line->amounts as $start => $amount) {
            $isTurned = ($amount < 0 && 1 === $below && $above > 2) || ($amount > 0 && 1 === $above && $below > 2);
            if (($usual > 0 && intdiv(abs($amount), self::TIMES) >= $usual) || ($isTurned && !$line->isSubtotal())) {
                $this->places[] = $line->at($start);
                $this->says[] = $line->named($start).' is '.$line->shown($start);
            }
        }
    }

    public function finding(): CheckFinding
    {
        return [] === $this->places
            ? CheckFinding::well('outliers', 'No amount stands out from its own history')
            : CheckFinding::at(
                'outliers',
                Wording::count(\count($this->places), 'amount stands', 'amounts stand').
                    ' out from its line’s history: '.
                    Wording::some($this->says, 2),
                $this->places,
            );
    }
}

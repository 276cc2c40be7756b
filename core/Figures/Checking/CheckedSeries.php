<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Number\ScaledText;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** One series of a dataset as the checks look at it: its amounts in calendar order. */
final readonly class CheckedSeries
{
    /** @param array<int, int> $amounts by period start, rising */
    public function __construct(
        public Dataset $dataset,
        public Measure $measure,
        public Series $series,
        public array $amounts,
    ) {}

    public function isSubtotal(): bool
    {
        foreach ($this->dataset->breakdowns as $place => $breakdown) {
            if (LineRole::Subtotal === ($breakdown->roles[$this->series->member($place)] ?? null)) {
                return true;
            }
        }

        return false;
    }

    public function at(int $start): FindingTarget
    {
        return new FindingTarget(
            $this->measure->name,
            $this->series->scenario,
            $this->period($start),
            $this->members(),
            isset($this->amounts[$start]) ? $this->text($start) : '',
        );
    }

    /** `North, budget, Mar 2026` */
    public function named(int $start): string
    {
        $parts = [
            implode(
                ', ',
                array_map(static fn (string $name): string => '' === $name ? '(blank)' : $name, $this->members()),
            ),
            1 === \count($this->dataset->measures) ? '' : $this->measure->name,
            $this->series->scenario->word(),
            $this->dataset->isTimeless() ? '' : PeriodNames::full($this->period($start)),
        ];

        return implode(', ', array_filter($parts, static fn (string $part): bool => '' !== $part));
    }

    public function text(int $start): string
    {
        return ScaledText::of($this->amounts[$start], $this->measure->decimals);
    }

    /** As it stands in a sentence. */
    public function shown(int $start): string
    {
        return NumberFormat::of('en')->plain(
            BigDecimal::ofUnscaledValue($this->amounts[$start], $this->measure->decimals), $this->measure->decimals,
        );
    }

    public function period(int $start): Period
    {
        return Period::ofStart($this->dataset->grain, $start, $this->dataset->calendar);
    }

    /** @return list<string> */
    private function members(): array
    {
        return [] === $this->dataset->breakdowns ? [] : $this->series->members();
    }
}

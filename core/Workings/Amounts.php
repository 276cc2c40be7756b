<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\NumberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Time\Period;

/**
 * A measure's amounts by scenario, put together from the finest periods by the measure's own rule.
 * Prior year, where none came in, is the actual of one year earlier.
 */
final class Amounts
{
    /** @var list<string> */
    private readonly array $sources;
    private readonly bool $derivesPriorYear;
    /** @var array<string, array<int, bool>> by scenario code and start of the period */
    private array $known = [];

    private function __construct(private readonly Measure $measure, private readonly Sums $sums, ?bool $derivesPriorYear = null)
    {
        $this->sources = $measure->sources();
        $this->derivesPriorYear = $derivesPriorYear ?? !$sums->hasAny($this->sources[0], Scenario::PriorYear);
    }

    /** @param list<MemberFilter|NumberFilter> $where */
    public static function of(Figures $figures, Measure $measure, array $where): self
    {
        return new self($measure, $figures->sums($measure->sources(), $where));
    }

    /** @param ?bool $derivesPriorYear of part of the figures: as all of them together have it */
    public static function ofSums(Measure $measure, Sums $sums, ?bool $derivesPriorYear = null): self
    {
        return new self($measure, $sums, $derivesPriorYear);
    }

    public function has(Scenario $scenario, Period $fine): bool
    {
        return $this->known[$scenario->value][$fine->start] ??= $this->hasAll($scenario, $fine);
    }

    /**
     * The amount of several finest periods together, each in its own scenario; none where there are none.
     *
     * @param list<array{Scenario, Period}> $cells in calendar order, none of them missing
     */
    public function together(array $cells): ?BigDecimal
    {
        if ([] === $cells) {
            return null;
        }
        if (1 === \count($cells) && \in_array($this->measure->grouping, [Grouping::Sum, Grouping::Average, Grouping::Last], true)) {
            return $this->source($this->measure->name, ...$cells[0]);
        }

        return match ($this->measure->grouping) {
            Grouping::Sum => Decimals::sum($this->each($this->measure->name, $cells)),
            Grouping::Average => Decimals::sum($this->each($this->measure->name, $cells))->dividedBy(\count($cells), $this->measure->decimals + Decimals::RATE_SCALE, RoundingMode::HalfUp)->strippedOfTrailingZeros(),
            Grouping::Last => $this->each($this->measure->name, \array_slice($cells, -1))[0],
            Grouping::Ratio => $this->ratio($cells),
            Grouping::Rate => 1 === \count($cells) && 1 === $this->sums->count($this->measure->name, ...$this->place(...$cells[0])) ? $this->each($this->measure->name, $cells)[0] : null,
        };
    }

    public function derivesPriorYear(): bool
    {
        return $this->derivesPriorYear;
    }

    private function hasAll(Scenario $scenario, Period $fine): bool
    {
        foreach ($this->sources as $source) {
            if (null === $this->source($source, $scenario, $fine)) {
                return false;
            }
        }

        return true;
    }

    /** @param list<array{Scenario, Period}> $cells */
    private function ratio(array $cells): ?BigDecimal
    {
        [$numerator, $denominator] = $this->sources;

        return Decimals::rate(Decimals::sum($this->each($numerator, $cells)), Decimals::sum($this->each($denominator, $cells)));
    }

    /**
     * @param list<array{Scenario, Period}> $cells
     *
     * @return list<BigDecimal>
     */
    private function each(string $source, array $cells): array
    {
        return array_map(fn (array $cell): BigDecimal => $this->source($source, ...$cell) ?? throw new \LogicException('A missing cell was to be added.'), $cells);
    }

    private function source(string $source, Scenario $scenario, Period $fine): ?BigDecimal
    {
        return $this->sums->amount($source, ...$this->place($scenario, $fine));
    }

    /** @return array{Scenario, Period} where the amount is kept */
    private function place(Scenario $scenario, Period $fine): array
    {
        return Scenario::PriorYear === $scenario && $this->derivesPriorYear ? [Scenario::Actual, $fine->yearEarlier()] : [$scenario, $fine];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Variance;
use KeenMargin\Core\Workings\Workings;

/** Pins of the relative variance: a stem with a square head; an outlier is cut with an open arrow head. */
final readonly class PinTier
{
    private const HEAD = 7.0;
    /** A pin longer than this many times the middling one is an outlier. */
    private const OUTLIER = 5.0;

    private function __construct(private Workings $workings, private Scenario $reference, private BandAxis $axis, private LinearScale $scale, private float $limit)
    {
    }

    public static function of(Workings $workings, Scenario $reference, BandAxis $axis, LinearScale $scale): self
    {
        return new self($workings, $reference, $axis, $scale, self::limit($workings));
    }

    /** In percent, outliers cut. */
    public static function extent(Workings $workings): Extent
    {
        $limit = self::limit($workings);
        $whole = self::percents($workings);

        return Extent::of(array_map(static fn (float $percent) => \Brick\Math\BigDecimal::fromFloatExact(max(-$limit, min($limit, $percent))), $whole));
    }

    public function draw(Board $board, Labels $wanted): void
    {
        $labels = [];
        foreach ($this->workings->rows as $i => $row) {
            $variance = $row->variances[$this->reference->value] ?? null;
            $percent = $variance?->percent()?->toFloat();
            if (null === $variance) {
                continue;
            }
            if (null === $percent) {
                $labels[$i] = new TierLabel([Board::text($this->axis->centre($i), $this->scale->zero - 5.5, NumberFormat::NONE, 'middle', Ink::Quiet, role: 'missing', key: $row->key)], 0.0);
                continue;
            }
            $end = $this->scale->zero - max(-$this->limit, min($this->limit, $percent)) * $this->scale->perUnit;
            $this->pin($board, $row, $variance, $i, $end, abs($percent) > $this->limit);
            $labels[$i] = $this->label($row, $variance, $percent, $i, $end);
        }
        ReferenceLine::draw($board, $this->axis, $this->scale->zero, $this->reference);
        LabelPlacer::place($board, 'labels', $labels, $wanted);
    }

    private function pin(Board $board, Row $row, Variance $variance, int $i, float $end, bool $isCut): void
    {
        $x = $this->axis->centre($i);
        $style = Style::variance($variance->effect, $row->shownScenario);
        $stem = $style->stroke ?? $style->fill;
        $head = min(self::HEAD, $this->axis->band * 0.6);
        if ($this->scale->zero !== $end) {
            $board->add('pins', new Line($x, $this->scale->zero, $x, $end, $stem->value, min(2.0, $head * 0.4), null, 'pin', $row->key, 'percent'));
        }
        if ($isCut) {
            $towards = $end < $this->scale->zero ? $head : -$head;
            $board->addBehind('pins', new Path([[$x - $head / 2, $end + $towards * 0.8], [$x, $end], [$x + $head / 2, $end + $towards * 0.8]], null, $stem->value, 1.6, 'cut', $row->key, 'percent'));

            return;
        }
        $board->add('pins', new Rect($x - $head / 2, $end - $head / 2, $head, $head, $style->fill->value, $style->stroke?->value, 'pin-head', $row->key, 'percent'));
    }

    private function label(Row $row, Variance $variance, float $percent, int $i, float $end): TierLabel
    {
        $y = $percent < 0 ? $end + self::HEAD / 2 + 12.5 : $end - self::HEAD / 2 - 4.5;
        $forms = [];
        foreach ([1, 0] as $decimals) {
            $text = $this->workings->display->format->signed($variance->percent($decimals), $decimals);
            $forms[] = Board::text($this->axis->centre($i), $y, $text, 'middle', Style::text($variance->effect), weight: $variance->flagged ? 600 : 400, role: 'percent-label', key: $row->key, of: 'percent');
        }

        return new TierLabel($forms, $percent);
    }

    private static function limit(Workings $workings): float
    {
        $sizes = array_map(abs(...), self::percents($workings));
        if ([] === $sizes) {
            return 0.0;
        }
        sort($sizes);
        $middling = $sizes[intdiv(\count($sizes), 2)];
        $longest = max(20.0, self::OUTLIER * $middling);
        $usual = array_filter($sizes, static fn (float $size): bool => $size <= $longest);

        return max($sizes) <= $longest ? max($sizes) : max($usual ?: [$longest]) * 1.25;
    }

    /** @return list<float> */
    private static function percents(Workings $workings): array
    {
        $reference = $workings->reference();
        $percents = array_map(static fn (Row $row): ?float => null === $reference ? null : ($row->variances[$reference->value] ?? null)?->percent()?->toFloat(), $workings->rows);

        return array_values(array_filter($percents, static fn (?float $percent): bool => null !== $percent));
    }
}

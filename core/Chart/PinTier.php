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
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Variance;
use KeenMargin\Core\Workings\Workings;

/** Pins of the relative variance: a stem with a square head; an outlier is cut with an open arrow head. */
final readonly class PinTier
{
    private const HEAD = 7.0;
    /** A pin longer than this many times the middling one, and than 20 %, is an outlier. */
    private const OUTLIER = 5.0;
    private const NEVER_CUT = 20.0;

    /**
     * @param array<int, float> $percents lengths of the pins by place; none where the reference is zero
     * @param float             $limit    the percentage at which longer pins are cut
     */
    private function __construct(private Workings $workings, private Scenario $reference, private array $percents, private float $limit)
    {
    }

    public static function of(Workings $workings, Scenario $reference): self
    {
        $percents = [];
        foreach ($workings->rows as $i => $row) {
            $variance = $row->variances[$reference->value] ?? null;
            if (null !== $variance && !$variance->reference->isZero()) {
                $percents[$i] = 100.0 * $variance->amount->toFloat() / abs($variance->reference->toFloat());
            }
        }

        return new self($workings, $reference, $percents, self::limit(array_map(abs(...), array_values($percents))));
    }

    /** In percent, outliers cut. */
    public function extent(): Extent
    {
        return Extent::ofSizes(array_map($this->cut(...), $this->percents));
    }

    public function draw(Board $board, BandAxis $axis, LinearScale $scale, Labels $wanted): void
    {
        $labels = [];
        foreach ($this->workings->rows as $i => $row) {
            $variance = $row->variances[$this->reference->value] ?? null;
            if (null === $variance) {
                continue;
            }
            $percent = $this->percents[$i] ?? null;
            if (null === $percent) {
                $none = Board::text($axis->centre($i), $scale->zero - 5.5, NumberFormat::NONE, 'middle', Ink::Quiet, role: 'missing', key: $row->key);
                $labels[$i] = new TierLabel(0.0, 0, static fn (): Text => $none);
                continue;
            }
            $end = $scale->zero - $this->cut($percent) * $scale->perUnit;
            $this->pin($board, $row, $variance, $axis->centre($i), min(self::HEAD, $axis->band * 0.6), $scale->zero, $end, abs($percent) > $this->limit);
            $labels[$i] = $this->label($row, $variance, $percent, $axis->centre($i), $end);
        }
        ReferenceLine::draw($board, $axis, $scale->zero, $this->reference);
        LabelPlacer::place($board, 'labels', $labels, $wanted);
    }

    private function pin(Board $board, Row $row, Variance $variance, float $x, float $head, float $zero, float $end, bool $isCut): void
    {
        $style = Style::variance($variance->effect, $row->shownScenario);
        $stem = $style->stroke ?? $style->fill;
        if ($zero !== $end) {
            $board->add('pins', new Line($x, $zero, $x, $end, $stem->value, min(2.0, $head * 0.4), null, 'pin', $row->key, 'percent'));
        }
        if ($isCut) {
            $towards = $end < $zero ? $head : -$head;
            $board->addBehind('pins', new Path([[$x - $head / 2, $end + $towards * 0.8], [$x, $end], [$x + $head / 2, $end + $towards * 0.8]], null, $stem->value, 1.6, 'cut', $row->key, 'percent'));

            return;
        }
        $board->add('pins', new Rect($x - $head / 2, $end - $head / 2, $head, $head, $style->fill->value, $style->stroke?->value, 'pin-head', $row->key, 'percent'));
    }

    private function label(Row $row, Variance $variance, float $percent, float $x, float $end): TierLabel
    {
        $y = $percent < 0 ? $end + self::HEAD / 2 + 12.5 : $end - self::HEAD / 2 - 4.5;

        return new TierLabel($percent, 1, fn (int $decimals): Text => Board::text(
            $x, $y, $this->workings->display->format->signed($variance->percent(max(0, $decimals)), max(0, $decimals)), 'middle', Style::text($variance->effect), weight: $variance->flagged ? 600 : 400, role: 'percent-label', key: $row->key, of: 'percent',
        ));
    }

    private function cut(float $percent): float
    {
        return max(-$this->limit, min($this->limit, $percent));
    }

    /** @param list<float> $sizes */
    private static function limit(array $sizes): float
    {
        if ([] === $sizes) {
            return 0.0;
        }
        sort($sizes);
        $longest = max(self::NEVER_CUT, self::OUTLIER * $sizes[intdiv(\count($sizes) - 1, 2)]);
        $usual = array_filter($sizes, static fn (float $size): bool => $size <= $longest);

        return \count($usual) === \count($sizes) ? max($sizes) : 1.25 * max([...$usual, 0.2 * $longest]);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Variance;
use KeenMargin\Core\Workings\Workings;

/** Bars of the variance against the first reference, whose own line is nought. */
final readonly class VarianceTier
{
    public function __construct(private Workings $workings, private Scenario $reference, private BandAxis $axis, private LinearScale $scale)
    {
    }

    public static function extent(Workings $workings): Extent
    {
        $reference = $workings->reference();

        return Extent::of(array_map(static fn (Row $row) => null === $reference ? null : ($row->variances[$reference->value] ?? null)?->amount, $workings->rows));
    }

    public function draw(Board $board, Labels $wanted): void
    {
        $labels = [];
        foreach ($this->workings->rows as $i => $row) {
            $variance = $row->variances[$this->reference->value] ?? null;
            if (null === $variance) {
                continue;
            }
            $style = Style::variance($variance->effect, $row->shownScenario);
            $y = min($this->scale->zero, $this->scale->y($variance->amount));
            $board->add('variances', new Rect($this->axis->centre($i) - $this->axis->column / 2, $y, $this->axis->column, abs($this->scale->length($variance->amount)), $style->fill->value, $style->stroke?->value, 'variance', $row->key, 'variance'));
            $labels[$i] = $this->label($row, $variance, $i);
        }
        ReferenceLine::draw($board, $this->axis, $this->scale->zero, $this->reference);
        LabelPlacer::place($board, 'labels', $labels, $wanted);
    }

    private function label(Row $row, Variance $variance, int $i): TierLabel
    {
        $isBelow = $variance->amount->isNegative();
        $y = $this->scale->y($variance->amount) + ($isBelow ? 13.0 : -5.5);
        $display = $this->workings->display;

        return new TierLabel($variance->amount->toFloat(), $display->varianceDecimals, fn (int $decimals): Text => Board::text(
            $this->axis->centre($i), $y, $display->format->signed($display->unit->of($variance->amount), max(0, $decimals)), 'middle', Style::text($variance->effect), weight: $variance->flagged ? 600 : 400, role: 'variance-label', key: $row->key, of: 'variance',
        ));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/** Columns of the shown values with the first reference behind them and a second one as a small triangle at its height. */
final readonly class ColumnTier
{
    /** How far the reference stands out beside the column, in column widths. */
    private const OFFSET = 0.26;

    public function __construct(private Workings $workings, private BandAxis $axis, private LinearScale $scale)
    {
    }

    /** @return Extent of everything that the tier draws on its scale */
    public static function extent(Workings $workings): Extent
    {
        $amounts = [];
        foreach ($workings->rows as $row) {
            $amounts[] = $row->shown;
            foreach ($workings->against as $reference) {
                $amounts[] = $row->values[$reference->value] ?? null;
            }
        }

        return Extent::of($amounts);
    }

    public function draw(Board $board, Labels $wanted): void
    {
        $labels = [];
        foreach ($this->workings->rows as $i => $row) {
            $this->reference($board, $row, $i);
            $this->value($board, $row, $i);
        }
        foreach ($this->workings->rows as $i => $row) {
            $this->secondReference($board, $row, $i);
        }
        $board->add('axis', new Line($this->axis->left, $this->scale->zero, $this->axis->right(), $this->scale->zero, Ink::Ink->value, 1.4, role: 'axis'));
        foreach ($this->workings->rows as $i => $row) {
            if (null === $row->shown) {
                $board->writeIfFree('labels', Board::text($this->centre($i), $this->labelY($row, BigDecimal::zero()), NumberFormat::NONE, 'middle', Ink::Quiet, role: 'missing', key: $row->key));
            } else {
                $labels[$i] = $this->label($row, $i, $row->shown);
            }
        }
        LabelPlacer::place($board, 'labels', $labels, $wanted);
    }

    private function reference(Board $board, Row $row, int $i): void
    {
        $reference = $this->workings->reference();
        $amount = null === $reference ? null : $row->values[$reference->value] ?? null;
        if (null === $reference || null === $amount) {
            return;
        }
        $side = Scenario::PriorYear === $reference ? -1 : 1;
        $this->column($board, 'references', $this->centre($i) + $side * self::OFFSET * $this->axis->column, $amount, Style::scenario($reference), 'reference', $row->key, $reference->value);
    }

    private function value(Board $board, Row $row, int $i): void
    {
        if (null !== $row->shown && null !== $row->shownScenario) {
            $this->column($board, 'values', $this->centre($i), $row->shown, Style::scenario($row->shownScenario), 'value', $row->key, 'shown');
        }
    }

    private function column(Board $board, string $group, float $centre, BigDecimal $amount, Style $style, string $role, string $key, string $of): void
    {
        $y = min($this->scale->zero, $this->scale->y($amount));
        $board->add($group, new Rect($centre - $this->axis->column / 2, $y, $this->axis->column, abs($this->scale->length($amount)), $style->fill->value, $style->stroke?->value, $role, $key, $of));
    }

    private function secondReference(Board $board, Row $row, int $i): void
    {
        $reference = $this->workings->against[1] ?? null;
        $amount = null === $reference ? null : $row->values[$reference->value] ?? null;
        if (null === $reference || null === $amount) {
            return;
        }
        $size = max(2.0, min(7.0, $this->axis->band * 0.14));
        $tip = $this->centre($i) - $this->axis->column / 2 - 0.5;
        if (Scenario::PriorYear === $this->workings->reference()) {
            $tip -= self::OFFSET * $this->axis->column;
        }
        $y = $this->scale->y($amount);
        $ink = Scenario::PriorYear === $reference ? Ink::PriorYear : Ink::Ink;
        $board->addBehind('marks', new Path([[$tip, $y], [$tip - $size, $y - 0.62 * $size], [$tip - $size, $y + 0.62 * $size]], $ink->value, role: 'second-reference', key: $row->key, of: $reference->value));
        $board->take(new Box($tip - $size, $y - 0.62 * $size, $tip, $y + 0.62 * $size));
    }

    /** Above whatever stands in this band, or below it where the value is negative. */
    private function labelY(Row $row, BigDecimal $shown): float
    {
        $reference = $this->workings->reference();
        $amounts = [$shown, null === $reference ? $shown : $row->values[$reference->value] ?? $shown];
        $ys = array_map($this->scale->y(...), $amounts);
        $isBelow = $shown->isNegative();
        $y = $isBelow ? max($this->scale->zero, ...$ys) + 12.5 : min($this->scale->zero, ...$ys) - 5.0;
        $second = $this->workings->against[1] ?? null;
        $mark = null === $second ? null : $row->values[$second->value] ?? null;
        if (null !== $mark) {
            $at = $this->scale->y($mark);
            $y = $isBelow ? ($at > $y - 15.0 && $at < $y + 8.0 ? $at + 16.0 : $y) : ($at < $y + 7.0 && $at > $y - 15.0 ? $at - 8.0 : $y);
        }

        return $y;
    }

    private function label(Row $row, int $i, BigDecimal $shown): TierLabel
    {
        $y = $this->labelY($row, $shown);
        $display = $this->workings->display;

        return new TierLabel($shown->toFloat(), $display->decimals, fn (int $decimals): Text => Board::text(
            $this->centre($i), $y, $display->format->plain($display->unit->of($shown), max(0, $decimals)), 'middle', weight: 600, role: 'value-label', key: $row->key, of: 'shown',
        ));
    }

    /** The column's centre: off the band's so that column and reference together stand in its middle. */
    private function centre(int $i): float
    {
        $reference = $this->workings->reference();
        $shift = null === $reference ? 0.0 : self::OFFSET / 2 * $this->axis->column;

        return $this->axis->centre($i) - (Scenario::PriorYear === $reference ? -$shift : $shift);
    }
}

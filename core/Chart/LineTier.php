<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\VarianceForm;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Workings\Reference;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/** Values and reference as lines over periods, a thin bar between the two at each. Lines stop where a value is missing. */
final readonly class LineTier implements Tier
{
    private const BAR = 5.0;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, private VarianceForm $form)
    {
    }

    public function unit(): TierUnit
    {
        return TierUnit::Amount;
    }

    public function name(): string
    {
        return '';
    }

    public function extent(): Extent
    {
        return Extent::of(array_merge([], ...array_map(fn (Row $row): array => [$row->shown, $row->value($this->workings->reference())], $this->rows)));
    }

    public function labelWidths(): array
    {
        return LabelWidths::of(array_map(fn (Row $row): array => [$row->shown, $this->workings->display->amount($row->shown)], $this->rows));
    }

    public function draw(Stage $stage): void
    {
        $reference = $this->workings->reference();
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($reference);
            if (null !== $variance) {
                GapBar::draw($stage, $row, $variance, $stage->axis->centre($i), min(self::BAR, 0.5 * $stage->axis->band));
            }
        }
        if (null !== $reference) {
            $ink = Scenario::PriorYear === $reference->scenario ? Ink::PriorYear : Ink::Quiet;
            $this->line($stage, 'references', static fn (Row $row): ?BigDecimal => $row->value($reference), $ink, 1.4, 'reference-line-through', $reference->key);
        }
        $this->line($stage, 'values', static fn (Row $row): ?BigDecimal => $row->shown, Ink::Ink, 2.2, 'value-line', 'shown');
        $stage->nought();
        $this->points($stage);
        $this->labels($stage, $reference);
    }

    /** @param callable(Row): ?BigDecimal $amount */
    private function line(Stage $stage, string $group, callable $amount, Ink $ink, float $thickness, string $role, string $of): void
    {
        $run = [];
        foreach ([...$this->rows, null] as $i => $row) {
            $value = null === $row ? null : $amount($row);
            if (null !== $value) {
                $run[] = [$stage->axis->centre($i), $stage->scale->at($value)];
                continue;
            }
            if (\count($run) > 1) {
                $stage->board->addBehind($group, $stage->plane->path($run, null, $ink, $thickness, $role, null, $of));
            }
            $run = [];
        }
    }

    /** Actual points are solid, those of a forecast open; of many periods only the ends bear one. */
    private function points(Stage $stage): void
    {
        $isMany = $stage->axis->band < 16.0;
        $last = array_key_last(array_filter($this->rows, static fn (Row $row): bool => null !== $row->shown));
        foreach ($this->rows as $i => $row) {
            $isLone = null === ($this->rows[$i - 1] ?? null)?->shown && null === ($this->rows[$i + 1] ?? null)?->shown;
            if (null === $row->shown || ($isMany && $i !== $last && !$isLone && Scenario::Forecast !== $row->shownScenario)) {
                continue;
            }
            [$x, $y] = $stage->plane->point($stage->axis->centre($i), $stage->scale->at($row->shown));
            $radius = $isMany ? 2.2 : 3.2;
            $stage->board->addBehind('points', new Path(Dot::points($x, $y, $radius), Scenario::Forecast === $row->shownScenario ? Ink::Panel->value : Ink::Ink->value, Ink::Ink->value, 1.4, 'point', $row->key, 'shown'));
            $stage->board->take(new Box($x - $radius, $y - $radius, $x + $radius, $y + $radius));
        }
    }

    private function labels(Stage $stage, ?Reference $reference): void
    {
        $shown = array_filter($this->rows, static fn (Row $row): bool => null !== $row->shown);
        $display = $this->workings->display;
        foreach ([array_key_first($shown), array_key_last($shown)] as $i) {
            if (null !== $i && null !== $shown[$i]->shown) {
                $this->avoidLine($stage, $i, $display->amount($shown[$i]->shown), $shown[$i]);
            }
        }
        $labels = [];
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($reference);
            if (null === $row->shown) {
                $stage->board->writeIfFree('labels', $stage->label($stage->axis->centre($i), 0.0, true, NumberFormat::NONE, Ink::Quiet, 400, 'missing', $row->key, 'shown'));
            } elseif (null !== $variance && !($variance->reference->isZero() && VarianceForm::Percent === $this->form)) {
                $isAbove = !$variance->amount->isNegative();
                $labels[$i] = GapBar::label($stage, $display, $row, $variance, $this->form, $stage->axis->centre($i), $variance->shown->toFloat(), $isAbove, 4.0);
            }
        }
        $stage->write($labels);
    }

    /** The value of an end, beyond its point on the side that the reference is not on. */
    private function avoidLine(Stage $stage, int $i, string $text, Row $row): void
    {
        $variance = $row->variance($this->workings->reference());
        $isBelow = null !== $variance && !$variance->amount->isNegative();
        foreach ([!$isBelow, $isBelow] as $isAbove) {
            $label = $stage->label($stage->axis->centre($i), $row->shown ?? BigDecimal::zero(), $isAbove, $text, Ink::Ink, 600, 'value-label', $row->key, 'shown', $isAbove ? 17.0 : 17.0);
            if ($stage->board->writeIfFree('labels', $label)) {
                return;
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Tier;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\ReferenceLine;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Bars of the variance against a reference, whose own line is nought. */
final readonly class VarianceTier implements Tier
{
    /** @param list<Row> $rows */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private Reference $reference,
        private bool $sameLength,
    ) {}

    public function unit(): Scale
    {
        return $this->sameLength ? Scale::Amount : Scale::Variance;
    }

    public function name(): string
    {
        return "\u{0394}{$this->reference->short}".($this->workings->context->display->inPoints ? ' pp' : '');
    }

    public function extent(): Extent
    {
        return Extent::of(array_map(fn (Row $row) => $row->variance($this->reference)?->amount, $this->rows));
    }

    public function labelWidths(): LabelWidths
    {
        $amount = fn (Row $row): ?BigDecimal => $row->variance($this->reference)?->amount;

        return LabelWidths::of(
            array_map(
                fn (Row $row): array => [$amount($row), $this->workings->context->display->variance($amount($row))],
                LabelWidths::widestOf($this->rows, $amount),
            ),
            600,
        );
    }

    public function draw(Stage $stage): void
    {
        $labels = [];
        foreach ($this->rows as $i => $row) {
            $variance = $row->variance($this->reference);
            if (null === $variance) {
                continue;
            }
            $size = $variance->amount->toFloat();
            $style = Style::variance($this->workings->context->display->effect($variance), $row->shownScenario);
            $bar = $stage->bar(
                centre: $stage->axis->centre($i),
                thickness: $stage->axis->column,
                from: 0.0,
                to: $size,
                style: $style,
                role: 'variance',
                key: $row->key->id,
                of: 'variance',
                measures: new Measures($this->unit(), "variance:{$this->reference->key}"),
            );
            $stage->canvas->add('variances', $bar);
            $labels[$i] = $this->label($stage, $row, $variance, $size, $i);
        }
        ReferenceLine::draw($stage, $this->reference);
        $stage->write($labels);
    }

    private function label(Stage $stage, Row $row, Variance $variance, float $size, int $i): PlacedLabel
    {
        $display = $this->workings->context->display;
        $weight = $variance->flagged || $row->role->isSum() ? 600 : 400;
        $label = static function (int $decimals) use ($stage, $row, $variance, $size, $i, $display, $weight): Text {
            $text = $display->signed($variance->amount, $decimals);
            $ink = Style::written($text, $variance->effect);

            return $stage->label(
                centre: $stage->axis->centre($i),
                amount: $size,
                isAbove: $size >= 0.0,
                text: $text,
                ink: $ink,
                weight: $weight,
                role: 'variance-label',
                key: $row->key->id,
                of: 'variance',
                further: 0.5,
            );
        };

        return new PlacedLabel($size, $display->varianceDecimals, $label);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\VarianceTiers;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\InsideLabels;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\Lengths;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** The shown values with the first reference behind them and a second one as a small triangle at its height. */
final readonly class ValueTier implements Tier
{
    use StandsOnAxis;

    /** How far the reference stands out beside the column, in column widths. */
    private const OFFSET = 0.26;

    private Lengths $lengths;
    /** without the second reference, whose mark labels step aside from */
    private Lengths $first;

    /** @param list<Row> $rows */
    public function __construct(
        private Workings $workings,
        private array $rows,
        TotalsCut $cut,
        private bool $isInside = false,
    ) {
        $this->lengths = new Lengths($cut, $workings->table->references);
        $this->first = new Lengths($cut, \array_slice($workings->table->references, 0, 1));
    }

    public function extent(): Extent
    {
        return $this->lengths->extent($this->rows);
    }

    public function labelWidths(): LabelWidths
    {
        return LabelWidths::of(
            array_map(
                fn (Row $row): array => [$row->shown, $this->workings->context->display->amount($row->shown)],
                $this->rows,
            ),
            600,
        );
    }

    public function draw(Stage $stage): void
    {
        $labels = [];
        foreach ($this->rows as $i => $row) {
            $this->reference($stage, $row, $i);
            $this->value($stage, $row, $i);
        }
        foreach ($this->rows as $i => $row) {
            $this->secondReference($stage, $row, $i);
        }
        $stage->nought();
        $within =
            $this->isInside && [] !== $this->rows
                ? InsideLabels::write(
                    stage: $stage,
                    workings: $this->workings,
                    rows: $this->rows,
                    thickness: $stage->axis->column,
                    drawn: fn (Row $row): float => $this->lengths->of($row, $row->shown),
                    mark: null,
                    shift: $this->centre($stage, 0) - $stage->axis->centre(0),
                )
                : [];
        foreach ($this->rows as $i => $row) {
            if (null === $row->shown) {
                $stage->canvas->writeIfFree(
                    'labels',
                    $this->text(
                        stage: $stage,
                        row: $row,
                        i: $i,
                        text: NumberFormat::NONE,
                        ink: Ink::Quiet,
                        weight: 400,
                        role: 'missing',
                    ),
                );
            } elseif (!\in_array($i, $within, true)) {
                $labels[$i] = $this->label($stage, $row, $i, $row->shown);
            }
        }
        $stage->write($labels);
    }

    private function reference(Stage $stage, Row $row, int $i): void
    {
        $reference = $this->workings->table->reference();
        $amount = $row->value($reference);
        if (null === $reference?->scenario || null === $amount) {
            return;
        }
        $side = Scenario::PriorYear === $reference->scenario ? -1 : 1;
        $this->lengths->bar(
            stage: $stage,
            group: 'references',
            row: $row,
            centre: $this->centre($stage, $i) + $side * self::OFFSET * $stage->axis->column,
            thickness: $stage->axis->column,
            amount: $amount,
            style: Style::scenario($reference->scenario),
            role: 'reference',
            of: $reference->key,
        );
    }

    private function value(Stage $stage, Row $row, int $i): void
    {
        if (null !== $row->shown && null !== $row->shownScenario) {
            $this->lengths->bar(
                stage: $stage,
                group: 'values',
                row: $row,
                centre: $this->centre($stage, $i),
                thickness: $stage->axis->column,
                amount: $row->shown,
                style: Style::scenario($row->shownScenario),
                role: 'value',
                of: 'shown',
            );
        }
    }

    private function secondReference(Stage $stage, Row $row, int $i): void
    {
        $reference = $this->workings->table->references[1] ?? null;
        $amount = $row->value($reference);
        if (null === $reference?->scenario || null === $amount) {
            return;
        }
        $size = $this->triangle($stage);
        $tip = $this->centre($stage, $i) - $stage->axis->column / 2 - 0.5;
        if (Scenario::PriorYear === $this->workings->table->reference()?->scenario) {
            $tip -= self::OFFSET * $stage->axis->column;
        }
        $along = $stage->scale->at($this->lengths->of($row, $amount));
        $ink = Scenario::PriorYear === $reference->scenario ? Ink::PriorYear : Ink::Ink;
        $stage->canvas->addBehind(
            'marks',
            $stage->orientation->path(
                points: [[$tip, $along], [$tip - $size, $along - 0.62 * $size], [$tip - $size, $along + 0.62 * $size]],
                fill: $ink,
                stroke: null,
                thickness: 1.0,
                role: 'second-reference',
                key: $row->key->id,
                of: $reference->key,
            ),
        );
        [[$x1, $y1], [$x2, $y2]] = [
            $stage->orientation->point($tip - $size, $along - 0.62 * $size),
            $stage->orientation->point($tip, $along + 0.62 * $size),
        ];
        $stage->canvas->take(new Box(min($x1, $x2), min($y1, $y2), max($x1, $x2), max($y1, $y2)));
    }

    private function triangle(Stage $stage): float
    {
        return max(2.0, min(7.0, $stage->axis->band * (Orientation::Vertical === $stage->orientation ? 0.14 : 0.22)));
    }

    private function label(Stage $stage, Row $row, int $i, BigDecimal $shown): PlacedLabel
    {
        $display = $this->workings->context->display;

        return new PlacedLabel(
            $shown->toFloat(),
            $display->decimals,
            fn (int $decimals): Text => $this->text(
                stage: $stage,
                row: $row,
                i: $i,
                text: $display->plain($shown, $decimals),
                ink: Ink::Ink,
                weight: 600,
                role: 'value-label',
            ),
        );
    }

    /**
     * Beyond whatever stands in this band, on the side of its sign.
     *
     * @param 400|600 $weight
     */
    private function text(Stage $stage, Row $row, int $i, string $text, Ink $ink, int $weight, string $role): Text
    {
        $isAbove = Lengths::isAbove($row);
        $end = $this->first->end($row);
        $written = $stage->label(
            centre: $this->centre($stage, $i),
            amount: $end,
            isAbove: $isAbove,
            text: $text,
            ink: $ink,
            weight: $weight,
            role: $role,
            key: $row->key->id,
            of: 'shown',
        );
        $second = $row->value($this->workings->table->references[1] ?? null);
        if (null === $second) {
            return $written;
        }
        $mark = $stage->scale->at($this->lengths->of($row, $second));
        $reach = $this->triangle($stage);
        [$from, $to] =
            Orientation::Vertical === $stage->orientation
                ? [$written->box()->top, $written->box()->bottom]
                : [$written->box()->left, $written->box()->right];

        return $mark + $reach < $from || $mark - $reach > $to
            ? $written
            : $stage->orientation->label(
                across: $this->centre($stage, $i),
                along: $stage->scale->beyond($mark, $isAbove ? 3.0 + $reach / 2 : -3.5 - $reach / 2),
                isAbove: $isAbove,
                text: $text,
                ink: $ink,
                weight: $weight,
                role: $role,
                key: $row->key->id,
                of: 'shown',
            );
    }

    /** The column's centre: off the band's so that column and reference together stand in its middle. */
    private function centre(Stage $stage, int $i): float
    {
        $reference = $this->workings->table->reference();
        $shift = null === $reference ? 0.0 : (self::OFFSET / 2) * $stage->axis->column;

        return $stage->axis->centre($i) - (Scenario::PriorYear === $reference?->scenario ? -$shift : $shift);
    }
}

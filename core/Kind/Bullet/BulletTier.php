<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Bullet;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Orientation;
use KeenMargin\Core\Chart\Canvas\PlacedLabel;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\BandStrip;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\NearHandles;
use KeenMargin\Core\Chart\Part\TargetTick;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Question\Finish\ScaleForm;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Bands behind, the value as a slim bar, the target as a tick across; value, variance and band beside its end. */
final readonly class BulletTier implements Tier
{
    use StandsOnAxis;

    private const VALUE = 0.42;
    private const GAP = 10.0;
    private const MARK = 2.6;

    private BulletScale $scale;
    /** @var list<float> points of the widest value, variance and band beside the bars */
    private array $widths;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, ScaleForm $form)
    {
        $this->scale = BulletScale::of($workings->table, $form);
        $columns = array_map($this->texts(...), $rows);
        $this->widths = array_map(
            static fn (int $column): float => max([
                0.0,
                ...array_map(
                    static fn (array $texts): float => '' === $texts[$column]
                        ? 0.0
                        : TextMeasure::width($texts[$column], Type::LABEL, 600) + self::GAP,
                    $columns,
                ),
            ]),
            [0, 1, 2],
        );
    }

    public function extent(): Extent
    {
        return Extent::ofSizes([$this->scale->least, $this->scale->most]);
    }

    public function labelWidths(): LabelWidths
    {
        return new LabelWidths(0.0, array_sum($this->widths));
    }

    public function draw(Stage $stage): void
    {
        $thickness = min(22.0, $stage->axis->column * 1.15);
        foreach ($this->rows as $i => $row) {
            $centre = $stage->axis->centre($i);
            if (null !== $row->bands) {
                BandStrip::draw(
                    stage: $stage,
                    row: $row,
                    bands: $row->bands,
                    centre: $centre,
                    thickness: $thickness,
                    least: $this->scale->leastOf($row),
                    most: $this->scale->mostOf($row),
                    factor: $this->scale->factor($row),
                );
            }
            $this->value($stage, $row, $centre, $thickness);
        }
        $stage->nought();
        foreach ($this->rows as $i => $row) {
            $this->marks($stage, $row, $stage->axis->centre($i), $thickness);
        }
        Orientation::Horizontal === $stage->orientation ? $this->beside($stage) : $this->above($stage);
        if ($this->scale->isShared() && $stage->isFirst) {
            $this->offer($stage);
        }
    }

    private function offer(Stage $stage): void
    {
        $handles = new NearHandles(
            context: $this->workings->context,
            isHorizontal: Orientation::Horizontal === $stage->orientation,
            zero: $stage->scale->zero,
            perUnit: $stage->scale->at(1.0) - $stage->scale->zero,
            from: $stage->axis->start,
            to: $stage->axis->stop,
            span: $this->scale->most - $this->scale->least,
        );
        $stage->canvas->offer(...$handles->all());
    }

    private function value(Stage $stage, Row $row, float $centre, float $thickness): void
    {
        if (null === $row->shown || null === $row->shownScenario) {
            return;
        }
        $stage->canvas->add(
            'values',
            $stage->bar(
                centre: $centre,
                thickness: self::VALUE * $thickness,
                from: 0.0,
                to: $this->scale->length($row, $row->shown),
                style: Style::scenario($row->shownScenario),
                role: 'value',
                key: $row->key->id,
                of: 'shown',
                measures: $this->scale->isShared() ? new Measures(Scale::Amount, 'shown') : null,
            ),
        );
    }

    /** The target's tick, and what else is marked as dots. */
    private function marks(Stage $stage, Row $row, float $centre, float $thickness): void
    {
        foreach ($this->workings->table->references as $reference) {
            $amount = $row->value($reference);
            if (null === $amount) {
                continue;
            }
            $along = $stage->scale->at($this->scale->length($row, $amount));
            if (TargetedRows::TARGET === $reference->key) {
                TargetTick::draw(
                    stage: $stage,
                    row: $row,
                    centre: $centre,
                    reach: 0.42 * $thickness,
                    along: $along,
                    of: $reference->key,
                );
            } else {
                $this->mark($stage, $row, $reference, $centre, $along);
            }
        }
    }

    private function mark(Stage $stage, Row $row, Reference $reference, float $centre, float $along): void
    {
        [$x, $y] = $stage->orientation->point($centre, $along);
        $stage->canvas->add(
            'marks',
            new Circle(
                $x,
                $y,
                self::MARK,
                Ink::Panel->value,
                Ink::Ink->value,
                role: 'mark',
                key: $row->key->id,
                of: $reference->key,
            ),
        );
    }

    /** In columns of their own, so that numbers can be read down. */
    private function beside(Stage $stage): void
    {
        if (Labels::None === $stage->labels) {
            return;
        }
        $right = $stage->scale->at($this->scale->most) + self::GAP;
        foreach ($this->rows as $i => $row) {
            $x = $right;
            foreach ($this->texts($row) as $column => $text) {
                $x += $this->widths[$column];
                if ('' === $text) {
                    continue;
                }
                $isNumber = $column < 2;
                $stage->canvas->writeIfFree(
                    'labels',
                    Canvas::text(
                        $isNumber ? $x - self::GAP : $x - $this->widths[$column],
                        $stage->axis->centre($i) + 4.0,
                        $text,
                        $isNumber ? 'end' : 'start',
                        match ($column) {
                            0 => Ink::Ink,
                            1 => $this->ink($row, $text),
                            default => Ink::Quiet,
                        },
                        weight: 0 === $column || (1 === $column && $this->isFlagged($row)) ? 600 : 400,
                        role: ['value-label', 'variance-label', 'band-label'][$column],
                        key: $row->key->id,
                    ),
                );
            }
        }
    }

    /** Upright bullets have room for the value above them. */
    private function above(Stage $stage): void
    {
        $labels = [];
        foreach ($this->rows as $i => $row) {
            if (null === $row->shown) {
                continue;
            }
            $end = $this->scale->factor($row) * $this->scale->mostOf($row);
            $labels[$i] = $this->label($stage, $row, $row->shown, $stage->axis->centre($i), $end);
        }
        $stage->write($labels);
    }

    private function label(Stage $stage, Row $row, BigDecimal $shown, float $centre, float $end): PlacedLabel
    {
        $display = $this->workings->context->display;

        return new PlacedLabel(
            $shown->toFloat(),
            $display->decimals,
            static fn (int $decimals): Text => $stage->label(
                centre: $centre,
                amount: $end,
                isAbove: true,
                text: $display->plain($shown, $decimals),
                ink: Ink::Ink,
                weight: 600,
                role: 'value-label',
                key: $row->key->id,
                of: 'shown',
                further: 2.0,
            ),
        );
    }

    /** @return array{string, string, string} value, variance against the target, band */
    private function texts(Row $row): array
    {
        $display = $this->workings->context->display;
        $variance = $row->variances[TargetedRows::TARGET] ?? null;

        return [
            $display->amount($row->shown),
            null === $variance ? '' : $display->variance($variance->amount).($display->inPoints ? ' pp' : ''),
            $row->band() ?? '',
        ];
    }

    private function ink(Row $row, string $text): Ink
    {
        $variance = $row->variances[TargetedRows::TARGET] ?? null;

        return null === $variance ? Ink::Quiet : Style::written($text, $variance->effect);
    }

    private function isFlagged(Row $row): bool
    {
        return ($row->variances[TargetedRows::TARGET] ?? null)->flagged ?? false;
    }
}

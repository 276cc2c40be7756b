<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Extreme;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * A rate in a tier of its own: a line over periods, dots for members, its target as ticks and the gap to it. It need
 * not begin at nought, for what it shows are the gaps, whose lengths are true.
 */
final readonly class RateTier implements Tier
{
    private const DOT = 3.2;
    /** of a band that has room for a label */
    private const ROOM = 24.0;

    private float $base;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows)
    {
        $all = array_merge([], ...array_map(self::numbers(...), $workings->table->rows));
        $this->base = [] === $all ? 0.0 : min($all);
    }

    public function unit(): Scale
    {
        return Scale::Points;
    }

    public function name(): string
    {
        return 'rate %';
    }

    public function extent(): Extent
    {
        return Extent::ofSizes(array_map(
            fn (float $rate): float => $rate - $this->base,
            array_merge([], ...array_map(self::numbers(...), $this->rows)),
        ));
    }

    public function labelWidths(): LabelWidths
    {
        $width = TextMeasure::width('100.0 %', Type::LABEL, 600) + self::DOT;

        return new LabelWidths($width, $width);
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $this->target($stage, $row, $i);
        }
        $this->workings->context->isOverTime() && $this->line($stage);
        foreach ($this->rows as $i => $row) {
            $rate = $row->values['rate'] ?? null;
            if (null !== $rate) {
                [$x, $y] = $stage->orientation->point($stage->axis->centre($i), $this->at($stage, $rate));
                $radius = min(self::DOT, 0.3 * $stage->axis->band);
                $stage->canvas->add(
                    'points',
                    new Circle($x, $y, $radius, Ink::Ink->value, role: 'rate', key: $row->key->id, of: 'rate'),
                );
            }
        }
        $this->labels($stage);
    }

    private function target(Stage $stage, Row $row, int $i): void
    {
        $target = $row->values['rateTarget'] ?? null;
        if (null === $target) {
            return;
        }
        $centre = $stage->axis->centre($i);
        $reach = min(9.0, 0.36 * $stage->axis->band);
        $along = $this->at($stage, $target);
        $stage->canvas->add(
            'marks',
            $stage->orientation->tick(
                from: $centre - $reach,
                to: $centre + $reach,
                along: $along,
                ink: Ink::Quiet,
                thickness: 1.4,
                role: 'rate-target',
                key: $row->key->id,
                of: 'rateTarget',
            ),
        );
        $variance = $row->variances['rateTarget'] ?? null;
        if (null !== $variance && !$variance->amount->isZero()) {
            $style = Style::variance($this->rates()->effect($variance), null);
            $stage->canvas->add(
                'gaps',
                $stage->orientation->line(
                    across1: $centre,
                    along1: $along,
                    across2: $centre,
                    along2: $this->at($stage, $variance->shown),
                    ink: $style->fill,
                    thickness: 2.0,
                    dash: '2 1.5',
                    role: 'rate-gap',
                    key: $row->key->id,
                    of: 'rateTarget',
                    measures: new Measures(Scale::Points, 'variance:rateTarget'),
                ),
            );
        }
    }

    private function line(Stage $stage): void
    {
        $run = [];
        foreach ([...$this->rows, null] as $i => $row) {
            $rate = null === $row || $row->role->isApart() ? null : $row->values['rate'] ?? null;
            if (null !== $rate) {
                $run[] = [$stage->axis->centre($i), $this->at($stage, $rate)];
                continue;
            }
            if (\count($run) > 1) {
                $stage->canvas->addBehind(
                    'lines',
                    $path = $stage->orientation->path(
                        points: $run,
                        fill: null,
                        stroke: Ink::Ink,
                        thickness: 1.6,
                        role: 'rate-line',
                        key: null,
                        of: 'rate',
                    ),
                );
                $stage->canvas->takeAlong($path->points);
            }
            $run = [];
        }
    }

    /** The largest and the smallest rate first; all others where there is room for all of them. */
    private function labels(Stage $stage): void
    {
        if (Labels::None === $stage->labels) {
            return;
        }
        $others = [];
        foreach ($this->rows as $i => $row) {
            if (null !== ($row->values['rate'] ?? null)) {
                null === $row->extreme ? ($others[$i] = $row) : $this->one($stage, $row, $i, true);
            }
        }
        if (Labels::All !== $stage->labels || $stage->axis->band < self::ROOM) {
            return;
        }
        // A number at every other dot would be neither all nor the telling ones.
        $trial = new Stage(clone $stage->canvas, $stage->orientation, $stage->axis, $stage->scale, $stage->labels);
        foreach ($others as $i => $row) {
            if (!$this->one($trial, $row, $i, false)) {
                return;
            }
        }
        foreach ($others as $i => $row) {
            $this->one($stage, $row, $i, false);
        }
    }

    private function one(Stage $stage, Row $row, int $i, bool $isExtreme): bool
    {
        $rate = $row->values['rate'] ?? BigDecimal::zero();
        $variance = $row->variances['rateTarget'] ?? null;
        $isAbove = null === $variance ? Extreme::Smallest !== $row->extreme : !$variance->amount->isNegative();
        $ink =
            null === $variance
                ? Ink::Ink
                : Style::written($this->rates()->variance($variance->amount), $variance->effect);
        $format = $this->rates()->format;
        foreach (
            [
                [$isAbove, 0.0, 1],
                [!$isAbove, 0.0, 1],
                [$isAbove, 0.0, 0],
                [!$isAbove, 0.0, 0],
                ...$isExtreme
                    ? [[$isAbove, 7.0, 1], [!$isAbove, 7.0, 1], [$isAbove, 16.0, 1], [!$isAbove, 16.0, 1]]
                    : [],
            ] as [$side, $further, $decimals]
        ) {
            $text = $format->plain($rate, $decimals).($isExtreme ? ' %' : '');
            $along = $stage->scale->beyond($this->at($stage, $rate), ($side ? 1 : -1) * (self::DOT + $further));
            if ($stage->canvas->writeIfFree(
                'labels',
                $stage->orientation->label(
                    across: $stage->axis->centre($i),
                    along: $along,
                    isAbove: $side,
                    text: $text,
                    ink: $ink,
                    weight: $isExtreme || $row->role->isSum() ? 600 : 400,
                    role: 'rate-label',
                    key: $row->key->id,
                    of: 'rate',
                ),
            )) {
                return true;
            }
        }

        return false;
    }

    private function rates(): Display
    {
        return $this->workings->context->rates ?? $this->workings->context->display;
    }

    private function at(Stage $stage, BigDecimal $rate): float
    {
        return $stage->scale->at($rate->toFloat() - $this->base);
    }

    /** @return list<float> */
    private static function numbers(Row $row): array
    {
        return array_values(array_map(
            static fn (BigDecimal $one): float => $one->toFloat(),
            array_filter([$row->values['rate'] ?? null, $row->values['rateTarget'] ?? null]),
        ));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Gauge;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Part\BandStrip;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Box;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Display;
use KeenMargin\Core\Workings\Result\Row;

/**
 * One half ring: bands as the ring, the value as an arc from its start, the target as a tick across it, the value as a
 * number in the middle with its variance beneath.
 */
final readonly class GaugeDial
{
    private const HALF = 180.0;
    /** Parts of the radius. */
    private const RING = 0.19;
    private const VALUE = [0.865, 0.945];
    private const TICK = [0.77, 1.07];
    private const NUMBER = 0.24;
    /** The inner radius of the ring, as a part of the outer one. */
    public const INNER = 1.0 - self::RING;
    /** Room below the centre for what the ends are, the variance and the band. */
    public const FOOT = 38.0;
    /** Room beside the ring for the word at the target's tick. */
    public const SIDE = 40.0;

    public function __construct(
        private Canvas $canvas,
        private Display $display,
        private GaugeScale $scale,
        private Labels $labels,
        private float $x,
        private float $y,
        private float $radius,
    ) {}

    /** @param ?string $aim what the target is called beside its tick; null: nothing is written */
    public function draw(Row $row, ?string $aim): void
    {
        $this->ring($row);
        $this->value($row);
        $target = $row->values[TargetedRows::TARGET] ?? null;
        // Beyond an end there is no place that would be true.
        if (null !== $target && !$this->scale->isBelow($target) && !$this->scale->isBeyond($target)) {
            $this->tick($row, $target, $aim);
        }
        $this->ends($row);
        $this->numbers($row, $target);
        $side = self::SIDE / 2.0;
        $this->canvas->reach(
            $row->key->id,
            new Box(
                $this->x - $this->radius - $side,
                $this->y - $this->radius - $side,
                $this->x + $this->radius + $side,
                $this->y + self::FOOT,
            ),
        );
    }

    /** Bands; without them a pale ring, so that it is seen how far the value could reach. */
    private function ring(Row $row): void
    {
        $parts = [];
        $from = 0.0;
        foreach ($row->bands->names ?? [] as $place => $name) {
            $limit = $row->bands->limits[$place] ?? null;
            $to = null === $limit ? self::HALF : $this->scale->angle($limit);
            if ($to > $from && null !== $row->bands) {
                $parts[] = [$from, $to, BandStrip::ink($row->bands, $place), $name];
                $from = $to;
            }
        }
        if ($from < self::HALF) {
            $parts[] = [$from, self::HALF, Ink::Hairline, ''];
        }
        foreach ($parts as [$start, $end, $ink, $name]) {
            $this->canvas->addBehind(
                'bands',
                new Arc(
                    x: $this->x,
                    y: $this->y,
                    inner: $this->radius * (1.0 - self::RING),
                    outer: $this->radius,
                    from: $start,
                    to: $end,
                    fill: $ink->value,
                    role: '' === $name ? 'track' : 'band',
                    key: $row->key->id,
                    of: $name,
                ),
            );
        }
    }

    private function value(Row $row): void
    {
        if (null === $row->shown || null === $row->shownScenario) {
            return;
        }
        $style = Style::scenario($row->shownScenario);
        $angle = $this->scale->angle($row->shown);
        $isWithin = !$this->scale->isBelow($row->shown) && !$this->scale->isBeyond($row->shown);
        $isFromNought = $this->scale->from->isZero();
        $this->canvas->addBehind(
            'values',
            new Arc(
                x: $this->x,
                y: $this->y,
                inner: $this->radius * self::VALUE[0],
                outer: $this->radius * self::VALUE[1],
                from: 0.0,
                to: $angle,
                fill: $style->fill->value,
                stroke: $style->stroke?->value,
                role: 'value',
                key: $row->key->id,
                of: 'shown',
                measures: $isWithin && $isFromNought ? new Measures(Scale::Angle, 'shown') : null,
            ),
        );
        if (!$isWithin) {
            $this->arrow($row, $this->scale->isBeyond($row->shown));
        }
    }

    /** An open head beyond the end that the value lies past. */
    private function arrow(Row $row, bool $isRight): void
    {
        $middle = ($this->radius * (self::VALUE[0] + self::VALUE[1])) / 2.0;
        $x = $this->x + ($isRight ? $middle : -$middle);
        $half = max(4.0, 0.05 * $this->radius);
        $y = $this->y + 2.0;
        $this->canvas->add(
            'marks',
            new Path(
                points: [[$x - $half, $y], [$x, $y + $half], [$x + $half, $y]],
                stroke: Ink::Ink->value,
                thickness: 1.6,
                role: 'cut',
                key: $row->key->id,
                of: 'shown',
            ),
        );
    }

    private function tick(Row $row, BigDecimal $target, ?string $aim): void
    {
        $angle = $this->scale->angle($target);
        [$x1, $y1] = Arc::at($this->x, $this->y, $this->radius * self::TICK[0], $angle);
        [$x2, $y2] = Arc::at($this->x, $this->y, $this->radius * self::TICK[1], $angle);
        foreach ([[Ink::Paper, 5.0, 'target-ground'], [Ink::Ink, 2.6, 'target']] as [$ink, $thickness, $role]) {
            $this->canvas->addBehind(
                'marks',
                new Line(
                    x1: $x1,
                    y1: $y1,
                    x2: $x2,
                    y2: $y2,
                    stroke: $ink->value,
                    thickness: $thickness,
                    role: $role,
                    key: $row->key->id,
                    of: TargetedRows::TARGET,
                ),
            );
        }
        if (null === $aim) {
            return;
        }
        [$x, $y] = Arc::at($this->x, $this->y, $this->radius * self::TICK[1] + 5.0, $angle);
        $anchor = match (true) {
            abs($angle - self::HALF / 2.0) < 12.0 => 'middle',
            $angle > self::HALF / 2.0 => 'start',
            default => 'end',
        };
        $this->canvas->writeIfFree(
            'labels', Canvas::text($x, $y + 3.0, $aim, $anchor, Ink::Quiet, role: 'target-name', key: $row->key->id),
        );
    }

    /** What the ends of the ring stand for. */
    private function ends(Row $row): void
    {
        if (Labels::None === $this->labels) {
            return;
        }
        $middle = $this->radius * (1.0 - self::RING / 2.0);
        foreach ([[$this->scale->from, -$middle], [$this->scale->to, $middle]] as [$amount, $from]) {
            $shown = $this->display->unit->of($amount)->strippedOfTrailingZeros();
            $text = $this->display->format->plain(
                $shown, max(0, min($shown->getScale(), $this->display->decimals + 1)),
            );
            $this->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $this->x + $from,
                    $this->y + 22.0,
                    $text,
                    'middle',
                    Ink::Quiet,
                    role: 'end-label',
                    key: $row->key->id,
                ),
            );
        }
    }

    private function numbers(Row $row, ?BigDecimal $target): void
    {
        if (Labels::None === $this->labels) {
            return;
        }
        $points = $this->display->inPoints;
        $room = 2.0 * $this->radius * (1.0 - self::RING) - 12.0;
        $text = $this->display->amount($row->shown).($points && null !== $row->shown ? ' %' : '');
        $size = max(Type::LABEL, min(34.0, self::NUMBER * $this->radius));
        $width = TextMeasure::width($text, $size, 600);
        // A long number is as large as there is room at its height.
        $size = $width > 0.86 * $room ? max(Type::LABEL, (0.86 * $room * $size) / $width) : $size;
        $baseline = $this->y - max(8.0, 0.12 * $this->radius);
        $this->canvas->write(
            'labels',
            Canvas::text(
                $this->x,
                $baseline,
                $text,
                'middle',
                size: round($size, 2),
                weight: 600,
                role: 'value-label',
                key: $row->key->id,
                of: 'shown',
            ),
        );
        $this->variance($row, $target, $room);
        $band = $row->band();
        if (null !== $band) {
            $this->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $this->x,
                    $this->y + 30.0,
                    TextMeasure::shortened($band, $room, Type::LABEL),
                    'middle',
                    Ink::Quiet,
                    role: 'band-label',
                    key: $row->key->id,
                ),
            );
        }
    }

    /** `−6 pp to target 88 %`; less of it where there is little room. */
    private function variance(Row $row, ?BigDecimal $target, float $room): void
    {
        $variance = $row->variances[TargetedRows::TARGET] ?? null;
        if (null === $variance || null === $target) {
            return;
        }
        $points = $this->display->inPoints;
        $number = $this->display->variance($variance->amount);
        $short = $number.($points ? ' pp' : '');
        $long = "$short to target {$this->display->amount($target)}".($points ? ' %' : '');
        $text = TextMeasure::width($long, Type::LABEL) <= $room ? $long : $short;
        $this->canvas->writeIfFree(
            'labels',
            Canvas::text(
                $this->x,
                $this->y + 12.0,
                $text,
                'middle',
                Style::written($number, $variance->effect),
                weight: $variance->flagged ? 600 : 400,
                role: 'variance-label',
                key: $row->key->id,
                of: 'variance:'.TargetedRows::TARGET,
            ),
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Progress;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Labels;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Tracks to the goals, their fills, and the pace; percent, value and goal beside them. */
final readonly class ProgressTier implements Tier
{
    private const WHOLE = 100.0;
    /** Percentages beyond this are cut: they would leave the others no length. */
    private const MOST = 150.0;
    private const GAP = 12.0;
    private const THICKNESS = 15.0;
    private const HEAD = 9.0;

    private float $most;
    /** @var list<float> points of the widest percentage, and of the widest value with its goal */
    private array $widths;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows)
    {
        $percentages = [self::WHOLE];
        foreach ($workings->table->rows as $row) {
            $percentages[] = self::percent($row) ?? 0.0;
        }
        $this->most = min(self::MOST, max($percentages));
        $texts = array_map($this->texts(...), $workings->table->rows);
        $this->widths = array_map(
            static fn (int $column): float => max([
                0.0,
                ...array_map(
                    static fn (array $both): float => TextMeasure::width(
                        $both[$column],
                        Type::LABEL,
                        0 === $column ? 600 : 400,
                    ),
                    $texts,
                ),
            ]) + self::GAP,
            [0, 1],
        );
    }

    public function name(): string
    {
        return '';
    }

    public function unit(): Scale
    {
        return Scale::Share;
    }

    public function extent(): Extent
    {
        return Extent::ofSizes([$this->most]);
    }

    public function labelWidths(): LabelWidths
    {
        return new LabelWidths(0.0, array_sum($this->widths) + self::HEAD);
    }

    public function draw(Stage $stage): void
    {
        $paced = null;
        foreach ($this->rows as $i => $row) {
            $centre = $stage->axis->centre($i);
            $thickness = min(self::THICKNESS, 0.8 * $stage->axis->column);
            $this->track($stage, $row, $centre, $thickness);
            $paced = $this->pace($stage, $row, $centre, $thickness) ?? $paced;
            if (Labels::None !== $stage->labels) {
                $this->label($stage, $row, $centre);
            }
        }
        if (null !== $paced) {
            $stage->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $paced,
                    $stage->axis->stop + 14.0,
                    'pace',
                    'middle',
                    Ink::Accent,
                    role: 'pace-name',
                ),
            );
        }
    }

    private function track(Stage $stage, Row $row, float $centre, float $thickness): void
    {
        $percent = self::percent($row);
        $from = $stage->scale->at(0.0);
        $to = $stage->scale->at(self::WHOLE);
        if (null === ($row->values[GoalNumbers::PERCENT] ?? null)) {
            return;
        }
        $stage->canvas->addBehind(
            'references',
            new Rect(
                x: $from,
                y: $centre - $thickness / 2.0,
                width: $to - $from,
                height: $thickness,
                fill: Ink::Panel->value,
                stroke: Ink::PriorYear->value,
                role: 'track',
                key: $row->key->id,
                of: GoalNumbers::GOAL,
            ),
        );
        if (null === $percent || $percent <= 0.0) {
            return;
        }
        $isCut = $percent > $this->most;
        $fill = $stage->bar(
            centre: $centre,
            thickness: $thickness,
            from: 0.0,
            to: min($percent, $this->most),
            style: Style::scenario($row->shownScenario ?? Scenario::Actual),
            role: 'value',
            key: $row->key->id,
            of: GoalNumbers::PERCENT,
            measures: $isCut ? null : new Measures(Scale::Share, GoalNumbers::PERCENT),
        );
        $stage->canvas->add('values', $fill);
        if ($percent > self::WHOLE) {
            $this->goal($stage, $row, $to, $centre, $thickness);
        }
        if ($isCut) {
            $this->head($stage, $row, $stage->scale->at($this->most), $centre);
        }
    }

    /** The end of the track, where the fill goes over it. */
    private function goal(Stage $stage, Row $row, float $x, float $centre, float $thickness): void
    {
        $reach = $thickness / 2.0 + 3.0;
        foreach ([[Ink::Paper, 4.0, 'target-ground'], [Ink::Ink, 1.4, 'goal']] as [$ink, $width, $role]) {
            $stage->canvas->addBehind(
                'marks',
                new Line(
                    x1: $x,
                    y1: $centre - $reach,
                    x2: $x,
                    y2: $centre + $reach,
                    stroke: $ink->value,
                    thickness: $width,
                    role: $role,
                    key: $row->key->id,
                    of: GoalNumbers::GOAL,
                ),
            );
        }
    }

    private function head(Stage $stage, Row $row, float $x, float $centre): void
    {
        $stage->canvas->add(
            'marks',
            new Path(
                points: [[$x + 2.0, $centre - 5.0], [$x + 7.0, $centre], [$x + 2.0, $centre + 5.0]],
                stroke: Ink::Ink->value,
                thickness: 1.6,
                role: 'cut',
                key: $row->key->id,
                of: GoalNumbers::PERCENT,
            ),
        );
    }

    /** @return ?float where it is marked; null: there is none, or it lies beyond */
    private function pace(Stage $stage, Row $row, float $centre, float $thickness): ?float
    {
        $pace = $row->values[GoalNumbers::PACE] ?? null;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        if (null === $pace || null === $goal || $goal->isZero()) {
            return null;
        }
        $percent = (self::WHOLE * $pace->toFloat()) / $goal->toFloat();
        if ($percent < 0.0 || $percent > $this->most || abs($percent - self::WHOLE) < 0.01) {
            return null;
        }
        $x = $stage->scale->at($percent);
        $reach = $thickness / 2.0 + 3.5;
        $stage->canvas->addBehind(
            'marks',
            new Line(
                x1: $x,
                y1: $centre - $reach,
                x2: $x,
                y2: $centre + $reach,
                stroke: Ink::Paper->value,
                thickness: 3.6,
                role: 'pace-ground',
                key: $row->key->id,
            ),
        );
        $stage->canvas->addBehind(
            'marks',
            new Line(
                x1: $x,
                y1: $centre - $reach,
                x2: $x,
                y2: $centre + $reach,
                stroke: Ink::Accent->value,
                thickness: 1.6,
                role: 'pace',
                key: $row->key->id,
                of: GoalNumbers::PACE,
            ),
        );

        return $x;
    }

    private function label(Stage $stage, Row $row, float $centre): void
    {
        $texts = $this->texts($row);
        $variance = $row->variances[GoalNumbers::PACE] ?? null;
        $x = $stage->scale->at($this->most) + self::HEAD + $this->widths[0];
        foreach ($texts as $column => $text) {
            $stage->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $x,
                    $centre + 4.0,
                    $text,
                    0 === $column ? 'end' : 'start',
                    0 === $column ? self::ink($variance, $text) : Ink::Quiet,
                    weight: 0 === $column ? 600 : 400,
                    role: 0 === $column ? 'percent-label' : 'value-label',
                    key: $row->key->id,
                ),
            );
            $x += self::GAP;
        }
    }

    /** Of what is far enough from its pace to be flagged, that of the effect. */
    private static function ink(?Variance $variance, string $text): Ink
    {
        return true === $variance?->flagged ? Style::written($text, $variance->effect) : Ink::Ink;
    }

    /** @return array{string, string} percent, value of goal; why there is none */
    private function texts(Row $row): array
    {
        $display = $this->workings->context->display;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        $percent = $row->values[GoalNumbers::PERCENT] ?? null;
        $value = $display->amount($row->shown);

        return match (true) {
            null !== $percent => [
                $display->format->plain($percent, 1).' %',
                "$value / {$display->amount($goal)}",
            ],
            null === $row->shown => [NumberFormat::NONE, 'no figures'],
            null === $goal => [NumberFormat::NONE, "$value, no goal"],
            default => [NumberFormat::NONE, "$value, a goal of nought"],
        };
    }

    private static function percent(Row $row): ?float
    {
        return ($row->values[GoalNumbers::PERCENT] ?? null)?->toFloat();
    }
}

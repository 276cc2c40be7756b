<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\Progress;

use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\ProgressBar;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Question\Finish\Labels;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use KeenMargin\Core\Workings\Result\Workings;

/** Tracks to the goals, their fills, and the pace; percent, value and goal beside them. */
final readonly class ProgressTier implements Tier
{
    private const GAP = 12.0;
    private const THICKNESS = 15.0;
    private const PACE_NAME = 14.0;
    /** Points that the word at the pace takes below the last row and what is left free there. */
    public const BELOW = self::PACE_NAME - 1.5;

    private ProgressBar $bar;
    /** @var list<float> points of the widest percentage, and of the widest value with its goal */
    private array $widths;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows)
    {
        $this->bar = new ProgressBar($workings->table->rows);
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
        return Extent::ofSizes([$this->bar->most]);
    }

    public function labelWidths(): LabelWidths
    {
        return new LabelWidths(0.0, array_sum($this->widths) + ProgressBar::HEAD);
    }

    public function draw(Stage $stage): void
    {
        $paced = null;
        foreach ($this->rows as $i => $row) {
            $centre = $stage->axis->centre($i);
            $thickness = min(self::THICKNESS, 0.8 * $stage->axis->column);
            $paced = $this->bar->draw($stage, $row, $centre, $thickness) ?? $paced;
            if (Labels::None !== $stage->labels) {
                $this->label($stage, $row, $centre);
            }
        }
        if (null !== $paced) {
            $stage->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $paced, $stage->axis->stop + self::PACE_NAME, 'pace', 'middle', Ink::Accent, role: 'pace-name',
                ),
            );
        }
    }

    private function label(Stage $stage, Row $row, float $centre): void
    {
        $texts = $this->texts($row);
        $variance = $row->variances[GoalNumbers::PACE] ?? null;
        $x = $stage->scale->at($this->bar->most) + ProgressBar::HEAD + $this->widths[0];
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
            null !== $percent => [$display->format->plain($percent, 1).' %', "$value / {$display->amount($goal)}"],
            null === $row->shown && !$row->isAbsent() => [NumberFormat::NONE, 'no figures'],
            RowRole::Other === $row->role && null === $goal => [NumberFormat::NONE, $value],
            default => [NumberFormat::NONE, "$value, ".GoalNumbers::whyNone($goal)],
        };
    }
}

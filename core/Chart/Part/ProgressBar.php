<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Result\Row;

/** A track to the goal with its fill; past the goal the fill goes over the track's end, which is marked. */
final readonly class ProgressBar
{
    /** Room for the head of a fill that is cut. */
    public const HEAD = 9.0;
    private const WHOLE = 100.0;
    /** Percentages beyond this are cut: they would leave the others no length. */
    private const MOST = 150.0;

    /** the percentage that lengths reach to */
    public float $most;

    /** @param list<Row> $rows that share a scale */
    public function __construct(array $rows)
    {
        $percentages = array_map(static fn (Row $row): float => self::percent($row) ?? 0.0, $rows);
        $this->most = min(self::MOST, max([self::WHOLE, ...$percentages]));
    }

    /** @return ?float where the pace is marked; null: there is none, or it lies beyond */
    public function draw(Stage $stage, Row $row, float $centre, float $thickness): ?float
    {
        $percent = self::percent($row);
        if (null === $percent) {
            return null;
        }
        $this->track($stage, $row, $centre, $thickness);
        if ($percent > 0.0) {
            $this->fill($stage, $row, $percent, $centre, $thickness);
        }

        return $this->pace($stage, $row, $centre, $thickness);
    }

    private function track(Stage $stage, Row $row, float $centre, float $thickness): void
    {
        $from = $stage->scale->at(0.0);
        $stage->canvas->addBehind(
            'references',
            new Rect(
                x: $from,
                y: $centre - $thickness / 2.0,
                width: $stage->scale->at(self::WHOLE) - $from,
                height: $thickness,
                fill: Ink::Panel->value,
                stroke: Ink::PriorYear->value,
                role: 'track',
                key: $row->key->id,
                of: GoalNumbers::GOAL,
            ),
        );
    }

    private function fill(Stage $stage, Row $row, float $percent, float $centre, float $thickness): void
    {
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
            $x = $stage->scale->at(self::WHOLE);
            $this->across(
                stage: $stage,
                row: $row,
                x: $x,
                centre: $centre,
                reach: $thickness / 2.0 + 3.0,
                ink: Ink::Ink,
                role: 'goal',
            );
        }
        if ($isCut) {
            $x = $stage->scale->at($this->most);
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
    }

    private function pace(Stage $stage, Row $row, float $centre, float $thickness): ?float
    {
        $pace = $row->values[GoalNumbers::PACE] ?? null;
        $goal = $row->values[GoalNumbers::GOAL] ?? null;
        if (null === $pace || null === $goal || $goal->getSign() <= 0) {
            return null;
        }
        $percent = (self::WHOLE * $pace->toFloat()) / $goal->toFloat();
        if ($percent < 0.0 || $percent > $this->most || abs($percent - self::WHOLE) < 0.01) {
            return null;
        }
        $x = $stage->scale->at($percent);
        $this->across(
            stage: $stage,
            row: $row,
            x: $x,
            centre: $centre,
            reach: $thickness / 2.0 + 3.5,
            ink: Ink::Accent,
            role: 'pace',
        );

        return $x;
    }

    /** A thin line across the track, with paper around it. */
    private function across(
        Stage $stage,
        Row $row,
        float $x,
        float $centre,
        float $reach,
        Ink $ink,
        string $role,
    ): void {
        foreach ([[Ink::Paper, 3.8, "$role-ground"], [$ink, 1.5, $role]] as [$colour, $thickness, $name]) {
            $stage->canvas->addBehind(
                'marks',
                new Line(
                    x1: $x,
                    y1: $centre - $reach,
                    x2: $x,
                    y2: $centre + $reach,
                    stroke: $colour->value,
                    thickness: $thickness,
                    role: $name,
                    key: $row->key->id,
                ),
            );
        }
    }

    private static function percent(Row $row): ?float
    {
        return ($row->values[GoalNumbers::PERCENT] ?? null)?->toFloat();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\TargetMarks;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\GapBar;
use KeenMargin\Core\Chart\Part\InsideLabels;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\Lengths;
use KeenMargin\Core\Chart\Part\TargetTick;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\TargetMark;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Columns of the value with the target marked at its height; those that miss it are paler. */
final readonly class TargetTier implements Tier
{
    use StandsOnAxis;

    private const WIDE = 1.5;

    private Lengths $lengths;

    /** @param list<Row> $rows */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private TargetMark $mark,
        private VarianceForm $form,
        TotalsCut $cut,
    ) {
        $this->lengths = new Lengths($cut, \array_slice($workings->table->references, 0, 1));
    }

    public function extent(): Extent
    {
        return $this->lengths->extent($this->rows);
    }

    public function labelWidths(): LabelWidths
    {
        return GapBar::widths($this->workings, $this->rows, $this->form);
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $isMissed = Effect::Unfavourable === $this->effect($row);
            if (null !== $row->shown && null !== $row->shownScenario) {
                $this->lengths->bar(
                    stage: $stage,
                    group: 'values',
                    row: $row,
                    centre: $stage->axis->centre($i),
                    thickness: $stage->axis->column,
                    amount: $row->shown,
                    style: self::style($row->shownScenario, $isMissed),
                    role: 'value',
                    of: 'shown',
                );
            }
        }
        $stage->nought();
        foreach ($this->rows as $i => $row) {
            $this->target($stage, $row, $i);
        }
        $this->labels($stage);
    }

    private function effect(Row $row): ?Effect
    {
        $variance = $row->variance($this->workings->table->reference());

        return null === $variance ? null : $this->workings->context->display->effect($variance);
    }

    private function target(Stage $stage, Row $row, int $i): void
    {
        $reference = $this->workings->table->reference();
        $target = $row->value($reference);
        if (null === $reference || null === $target) {
            return;
        }
        $along = $stage->scale->at($this->lengths->of($row, $target));
        $centre = $stage->axis->centre($i);
        if (TargetMark::Tick === $this->mark) {
            TargetTick::draw(
                stage: $stage,
                row: $row,
                centre: $centre,
                reach: (self::WIDE * $stage->axis->column) / 2,
                along: $along,
                of: $reference->key,
            );

            return;
        }
        $radius = max(2.0, min(4.5, $stage->axis->column * 0.3));
        [$x, $y] = $stage->orientation->point($centre, $along);
        $stage->canvas->addBehind(
            'marks', new Circle($x, $y, $radius + 1.4, Ink::Paper->value, role: 'target-ground', key: $row->key->id),
        );
        $stage->canvas->add(
            'marks',
            new Circle($x, $y, $radius, Ink::Ink->value, role: 'target', key: $row->key->id, of: $reference->key),
        );
    }

    private function labels(Stage $stage): void
    {
        GapBar::labels(
            stage: $stage,
            workings: $this->workings,
            rows: $this->rows,
            form: $this->form,
            lengths: $this->lengths,
            room: TargetMark::Dot === $this->mark ? 4.0 : 1.5,
        );
        $reference = $this->workings->table->reference();
        InsideLabels::write(
            stage: $stage,
            workings: $this->workings,
            rows: $this->rows,
            thickness: $stage->axis->column,
            drawn: fn (Row $row): float => $this->lengths->of($row, $row->shown),
            mark: fn (Row $row): ?float => null === $row->value($reference)
                ? null
                : $this->lengths->of($row, $row->value($reference)),
        );
    }

    private static function style(Scenario $scenario, bool $isMissed): Style
    {
        return $isMissed ? Style::missed($scenario) : Style::scenario($scenario);
    }
}

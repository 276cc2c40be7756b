<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\NestedColumns;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\GapBar;
use KeenMargin\Core\Chart\Part\InsideLabels;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\Lengths;
use KeenMargin\Core\Chart\Part\TotalsCut;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Finish\VarianceForm;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * A wide reference and in it a narrow value, of one centre and base; the variance stands beyond the farther of the two.
 */
final readonly class NestedTier implements Tier
{
    use StandsOnAxis;

    private const WIDE = 1.62;
    private const NARROW = 1.04;

    private Lengths $lengths;

    /** @param list<Row> $rows */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private VarianceForm $form,
        private bool $hasGaps,
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
        $reference = $this->workings->table->reference();
        $column = $stage->axis->column;
        foreach ($this->rows as $i => $row) {
            $centre = $stage->axis->centre($i);
            $held = $row->value($reference);
            if (null !== $held && null !== $reference?->scenario) {
                $this->lengths->bar(
                    stage: $stage,
                    group: 'references',
                    row: $row,
                    centre: $centre,
                    thickness: self::WIDE * $column,
                    amount: $held,
                    style: Style::scenario($reference->scenario),
                    role: 'reference',
                    of: $reference->key,
                );
            }
            if (null !== $row->shown && null !== $row->shownScenario) {
                $this->lengths->bar(
                    stage: $stage,
                    group: 'values',
                    row: $row,
                    centre: $centre,
                    thickness: self::NARROW * $column,
                    amount: $row->shown,
                    style: Style::scenario($row->shownScenario),
                    role: 'value',
                    of: 'shown',
                );
            }
            $variance = $row->variance($reference);
            if ($this->hasGaps && null !== $variance && !$this->lengths->isCut($row)) {
                GapBar::draw(
                    stage: $stage,
                    display: $this->workings->context->display,
                    row: $row,
                    variance: $variance,
                    across: $centre + (self::WIDE * $column) / 2 + 3.5,
                    thickness: 3.0,
                    reference: $reference->key ?? '',
                );
            }
        }
        $stage->nought();
        GapBar::labels($stage, $this->workings, $this->rows, $this->form, $this->lengths);
        InsideLabels::write(
            $stage,
            $this->workings,
            $this->rows,
            self::NARROW * $column,
            fn (Row $row): float => $this->lengths->of($row, $row->shown),
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Number\Unit;

/** The looks of a chart: nothing in it adds, removes or changes a row or a number. */
final readonly class Finish
{
    public const NARROWEST = 360;
    public const WIDEST = 1920;
    public const LOWEST = 180;
    public const HIGHEST = 2400;

    /**
     * @param ?Unit $unit none: the one that fits the largest amount
     * @param ?int $decimals none: as many as the unit asks for
     * @param int $width in points
     * @param 'en'|'de'|'fr' $locale
     * @param ?VarianceForm $variance none: as the kind has it
     * @param bool $sameLength whether variances are as long per unit as the values
     * @param bool $gap a thin bar between value and reference
     * @param ?BigDecimal $limit percentage at which longer pins are cut; none: where outliers begin
     * @param bool $turn bars for time, columns for structure
     * @param bool $cut totals that would dwarf the rows are cut, and bear a mark
     * @param list<RowKey> $highlight rows
     * @param ?int $height in points; none: as the kind has it. Never less than its labels need
     * @param TitleLines $title lines that stand in place of the composed ones
     * @param ?Message $message above the title
     * @param ?string $footnote below the chart
     * @param bool $notes whether notes are numbered in the chart
     * @param ?string $named the named finish that it was taken from
     * @param ?StepColours $steps what colours of a waterfall's steps tell; null: as the kind has it
     * @param bool $dots whether a dot at the running total shows each step's share by its area
     * @param ScaleEnds $ends of a gauge
     * @param ScaleForm $scale of bullets
     * @param LabelPosition $labelsAt where values are written; of kinds that have the choice
     */
    public function __construct(
        public ?Unit $unit = null,
        public ?int $decimals = null,
        public Labels $labels = Labels::All,
        public int $width = 880,
        public string $locale = 'en',
        public ?VarianceForm $variance = null,
        public bool $sameLength = true,
        public bool $gap = false,
        public TargetMark $mark = TargetMark::Tick,
        public ?BigDecimal $limit = null,
        public bool $turn = false,
        public bool $cut = true,
        public array $highlight = [],
        public ?int $height = null,
        public Colours $colours = Colours::Effect,
        public TitleLines $title = new TitleLines(),
        public ?Message $message = null,
        public ?string $footnote = null,
        public bool $notes = true,
        public ?string $named = null,
        public LabelPosition $labelsAt = LabelPosition::Outside,
        public ?StepColours $steps = null,
        public StepLabels $stepLabels = StepLabels::Amount,
        public bool $dots = false,
        public ScaleEnds $ends = new ScaleEnds(),
        public ScaleForm $scale = ScaleForm::Shared,
    ) {}

    public function highlights(RowKey $row): bool
    {
        foreach ($this->highlight as $one) {
            if ($one->is($row)) {
                return true;
            }
        }

        return false;
    }

    /** Without height, footnote and message. */
    public function bare(): self
    {
        return With::of($this, ['height' => null, 'footnote' => null, 'message' => null]);
    }

    /** These looks on a chart that has words and rows of its own. */
    public function onto(self $chart, ?string $named): self
    {
        return With::of($this, [
            'highlight' => $chart->highlight,
            'title' => $chart->title,
            'message' => $chart->message,
            'footnote' => $chart->footnote,
            'named' => $named,
        ]);
    }

    public function wide(int $width): self
    {
        return With::of($this, ['width' => max(self::NARROWEST, min(self::WIDEST, $width))]);
    }
}

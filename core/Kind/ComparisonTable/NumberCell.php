<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Canvas;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Numbers that stand right, aligned on the decimal sign; variances in the colour of their effect. */
final readonly class NumberCell implements Tier
{
    use StandsOnAxis;

    /**
     * @param list<Row> $rows
     * @param ?LabelWidths $room that numbers stand at the right end of; null: what these rows need
     */
    public function __construct(
        private Workings $workings,
        private array $rows,
        private TableColumn $column,
        private ?LabelWidths $room,
    ) {}

    public function extent(): Extent
    {
        return Extent::ofSizes([]);
    }

    public function labelWidths(): LabelWidths
    {
        if (null !== $this->room) {
            return $this->room;
        }
        $number = fn (Row $row): ?BigDecimal => TableWorkings::number($row, $this->column, $this->workings);
        $isBold = fn (Row $row): bool => 600 === $this->weight($row);
        $bold = array_values(array_filter($this->rows, $isBold));
        $plain = array_values(array_filter($this->rows, static fn (Row $row): bool => !$isBold($row)));
        $widths = array_map(
            fn (Row $row): float => TextMeasure::width(
                CellText::of($row, $this->column, $this->workings), Type::LABEL, $this->weight($row),
            ),
            [...LabelWidths::widestOf($bold, $number), ...LabelWidths::widestOf($plain, $number)],
        );

        return new LabelWidths(0.0, max([0.0, ...$widths]));
    }

    public function draw(Stage $stage): void
    {
        $right = $stage->scale->zero + $this->labelWidths()->above;
        foreach ($this->rows as $i => $row) {
            $text = CellText::of($row, $this->column, $this->workings);
            $variance = $this->maybeVariance($row);
            $stage->canvas->writeIfFree(
                'labels',
                Canvas::text(
                    $right,
                    $stage->axis->centre($i) + 4.0,
                    $text,
                    'end',
                    null === $variance ? Ink::Ink : Style::written($text, $variance->effect),
                    weight: $this->weight($row),
                    role: 'cell',
                    key: $row->key->id,
                    of: $this->column->name(),
                ),
            );
        }
    }

    private function maybeVariance(Row $row): ?Variance
    {
        return $this->column->isOfVariance() ? $row->variances[$this->column->scenario->value ?? ''] ?? null : null;
    }

    /** @return 400|600 */
    private function weight(Row $row): int
    {
        return $row->role->isSum() || true === $this->maybeVariance($row)?->flagged ? 600 : 400;
    }
}

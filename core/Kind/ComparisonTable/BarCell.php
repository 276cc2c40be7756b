<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Question\Table\TableNumber;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Bars of amounts or shares on one nought. */
final readonly class BarCell implements Tier
{
    private const THICKNESS = 0.85;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, private TableColumn $column) {}

    public function unit(): Scale
    {
        return TableNumber::Share === $this->column->number ? Scale::Share : Scale::Amount;
    }

    public function name(): string
    {
        return '';
    }

    public function extent(): Extent
    {
        return Extent::of(
            array_map(fn (Row $row) => TableWorkings::number($row, $this->column, $this->workings), $this->rows),
        );
    }

    public function labelWidths(): LabelWidths
    {
        return LabelWidths::of(
            array_map(
                fn (Row $row): array => [
                    TableWorkings::number($row, $this->column, $this->workings),
                    CellText::of($row, $this->column, $this->workings),
                ],
                LabelWidths::widestOf(
                    $this->rows,
                    fn (Row $row): ?BigDecimal => TableWorkings::number($row, $this->column, $this->workings),
                ),
            ),
            600,
        );
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $number = TableWorkings::number($row, $this->column, $this->workings);
            if (null !== $number) {
                $stage->canvas->add(
                    'values',
                    $stage->bar(
                        centre: $stage->axis->centre($i),
                        thickness: self::THICKNESS * $stage->axis->column,
                        from: 0.0,
                        to: $number,
                        style: Style::scenario($this->scenario($row)),
                        role: 'value',
                        key: $row->key->id,
                        of: $this->measured(),
                        measures: new Measures($this->unit(), $this->measured()),
                    ),
                );
            }
            $stage->canvas->writeIfFree(
                'labels',
                $stage->label(
                    centre: $stage->axis->centre($i),
                    amount: $number ?? 0.0,
                    isAbove: true !== $number?->isNegative(),
                    text: CellText::of($row, $this->column, $this->workings),
                    ink: null === $number ? Ink::Quiet : Ink::Ink,
                    weight: $row->role->isSum() ? 600 : 400,
                    role: 'cell',
                    key: $row->key->id,
                    of: $this->column->name(),
                    further: 0.5,
                ),
            );
        }
        $stage->nought();
    }

    private function scenario(Row $row): Scenario
    {
        $isShown = $this->column->scenario === $this->workings->context->scenario || null === $this->column->scenario;

        return ($isShown ? $row->shownScenario : $this->column->scenario) ?? Scenario::Actual;
    }

    /** Id of the column of the workings that lengths stand for. */
    private function measured(): string
    {
        $isShown = $this->column->scenario === $this->workings->context->scenario;

        return match (true) {
            TableNumber::Share === $this->column->number => TableWorkings::SHARE,
            $isShown => 'shown',
            default => $this->column->scenario->value ?? 'shown',
        };
    }
}

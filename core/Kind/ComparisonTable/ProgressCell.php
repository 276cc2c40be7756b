<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\ProgressBar;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Table\TableColumn;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/** Track, fill and pace tick of each row, and its percentage. */
final readonly class ProgressCell implements Tier
{
    private const THICKNESS = 9.0;

    private ProgressBar $bar;

    /** @param list<Row> $rows */
    public function __construct(private Workings $workings, private array $rows, private TableColumn $column)
    {
        $this->bar = new ProgressBar($workings->table->rows);
    }

    public function unit(): Scale
    {
        return Scale::Share;
    }

    public function name(): string
    {
        return '';
    }

    public function extent(): Extent
    {
        return Extent::ofSizes([$this->bar->most]);
    }

    public function labelWidths(): LabelWidths
    {
        return LabelWidths::of(
            array_map(fn (Row $row): array => [null, CellText::of($row, $this->column, $this->workings)], $this->rows),
            600,
        )->plus(ProgressBar::HEAD);
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $this->bar->draw($stage, $row, $stage->axis->centre($i), self::THICKNESS);
            $stage->canvas->writeIfFree(
                'labels',
                $stage->label(
                    centre: $stage->axis->centre($i),
                    amount: $this->bar->most,
                    isAbove: true,
                    text: CellText::of($row, $this->column, $this->workings),
                    ink: Ink::Ink,
                    weight: $row->role->isSum() ? 600 : 400,
                    role: 'cell',
                    key: $row->key->id,
                    of: $this->column->name(),
                    further: ProgressBar::HEAD,
                ),
            );
        }
    }
}

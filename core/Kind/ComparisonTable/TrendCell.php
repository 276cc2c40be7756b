<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Part\TrendLine;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Workings\Result\Row;

/** A small line over the span in each row, from its own least to its own most, with its last point marked. */
final readonly class TrendCell implements Tier
{
    use StandsOnAxis;

    private const WIDTH = 64.0;
    private const HEIGHT = 13.0;

    /** @param list<Row> $rows */
    public function __construct(private array $rows) {}

    public function extent(): Extent
    {
        return Extent::ofSizes([]);
    }

    public function labelWidths(): LabelWidths
    {
        return new LabelWidths(0.0, self::WIDTH);
    }

    public function draw(Stage $stage): void
    {
        foreach ($this->rows as $i => $row) {
            $this->line($stage, $row, $stage->axis->centre($i));
        }
    }

    private function line(Stage $stage, Row $row, float $centre): void
    {
        $marks = TrendLine::marks(
            amounts: array_map(static fn (?BigDecimal $one): ?float => $one?->toFloat(), $row->trend?->amounts() ?? []),
            left: $stage->scale->zero,
            centre: $centre,
            width: self::WIDTH,
            height: self::HEIGHT,
            key: $row->key->id,
        );
        foreach ($marks as $mark) {
            $stage->canvas->addBehind($mark instanceof Circle ? 'points' : 'lines', $mark);
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\ComparisonTable;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Part\LabelWidths;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Chart\Tier\StandsOnAxis;
use KeenMargin\Core\Chart\Tier\Tier;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Workings\Result\Row;

/** A small line over the span in each row, from its own least to its own most, with its last point marked. */
final readonly class TrendCell implements Tier
{
    use StandsOnAxis;

    private const WIDTH = 64.0;
    private const HEIGHT = 13.0;
    private const POINT = 1.9;

    /** @param list<Row> $rows */
    public function __construct(private array $rows)
    {
    }

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
        $amounts = array_map(static fn (?BigDecimal $one): ?float => $one?->toFloat(), $row->trend);
        $known = array_filter($amounts, static fn (?float $one): bool => null !== $one);
        if ([] === $known) {
            return;
        }
        [$least, $most] = [min($known), max($known)];
        $step = \count($amounts) > 1 ? (self::WIDTH - 2.0 * self::POINT) / (\count($amounts) - 1) : 0.0;
        $left = $stage->scale->zero + self::POINT;
        $pieces = [[]];
        $last = null;
        foreach ($amounts as $place => $amount) {
            if (null === $amount) {
                // A gap stays a gap.
                $pieces[] = [];
                continue;
            }
            $share = $most > $least ? ($amount - $least) / ($most - $least) : 0.5;
            $last = [$left + $place * $step, $centre + self::HEIGHT * (0.5 - $share)];
            $pieces[\count($pieces) - 1][] = $last;
        }
        foreach ($pieces as $points) {
            if (\count($points) > 1) {
                $stage->canvas->addBehind(
                    'lines',
                    new Path(
                        points: $points,
                        stroke: Ink::Quiet->value,
                        thickness: 1.2,
                        role: 'trend',
                        key: $row->key->id,
                    ),
                );
            }
        }
        if (null !== $last) {
            $stage->canvas->addBehind(
                'points',
                new Circle($last[0], $last[1], self::POINT, Ink::Ink->value, role: 'trend-end', key: $row->key->id),
            );
        }
    }
}

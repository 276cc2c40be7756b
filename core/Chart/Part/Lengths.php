<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Chart\Scale\Extent;
use KeenMargin\Core\Notation\Style;
use KeenMargin\Core\Scene\Measures;
use KeenMargin\Core\Scene\Scale;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;

/** How long the amounts of rows are drawn, and their bars: totals that are cut are shorter, and bear a mark. */
final readonly class Lengths
{
    /** @param list<Reference> $references drawn besides the shown value */
    public function __construct(private TotalsCut $cut, private array $references) {}

    public function of(Row $row, ?BigDecimal $amount): float
    {
        return null === $amount ? 0.0 : $amount->toFloat() - $this->cut->takes($row);
    }

    public function isCut(Row $row): bool
    {
        return 0.0 !== $this->cut->takes($row);
    }

    /** @param list<Row> $rows */
    public function extent(array $rows): Extent
    {
        return Extent::ofSizes(array_merge([], ...array_map($this->all(...), $rows)));
    }

    /** Whether what is shown of a row stands above nought, or is nought. */
    public static function isAbove(Row $row): bool
    {
        return true !== $row->shown?->isNegative();
    }

    /** The far end of whatever is drawn of a row, on the side of its sign. */
    public function end(Row $row): float
    {
        return self::isAbove($row) ? max(0.0, ...$this->all($row)) : min(0.0, ...$this->all($row));
    }

    public function bar(
        Stage $stage,
        string $group,
        Row $row,
        float $centre,
        float $thickness,
        BigDecimal $amount,
        Style $style,
        string $role,
        string $of,
    ): void {
        $bar = $stage->bar(
            centre: $centre,
            thickness: $thickness,
            from: 0.0,
            to: $this->of($row, $amount),
            style: $style,
            role: $this->isCut($row) ? "$role-cut" : $role,
            key: $row->key->id,
            of: $of,
            measures: new Measures(Scale::Amount, $of, $this->isCut($row)),
        );
        $stage->canvas->add($group, $bar);
        if ($this->isCut($row)) {
            $this->cut->mark($stage, $bar, $row->key->id);
        }
    }

    /** @return non-empty-list<float> */
    private function all(Row $row): array
    {
        return [
            $this->of($row, $row->shown),
            ...array_map(
                fn (Reference $reference): float => $this->of($row, $row->value($reference)),
                $this->references,
            ),
        ];
    }
}

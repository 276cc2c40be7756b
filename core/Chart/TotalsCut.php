<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Finish;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Row;
use KeenMargin\Core\Workings\Workings;

/**
 * Totals that stand apart and would dwarf the rows are cut: the same length is taken out of each of them and of what they are
 * held against, so that their difference stays true, and each bears a break mark.
 */
final readonly class TotalsCut
{
    /** Totals this much larger than the largest row are cut, down to this part of it. */
    private const DWARFS = 1.5;
    private const LEFT = 0.95;

    /** @param float $amount taken out; none is zero */
    private function __construct(public float $amount)
    {
    }

    public static function none(): self
    {
        return new self(0.0);
    }

    public static function of(Workings $workings, Finish $finish): self
    {
        if (!$finish->cut || [] === array_filter($workings->rows, static fn (Row $row): bool => $row->role->isApart())) {
            return self::none();
        }
        $amounts = static fn (callable $is): array => array_merge([], ...array_map(static fn (Row $row): array => $is($row) ? self::sizes($row, $workings) : [], $workings->rows));
        $totals = $amounts(static fn (Row $row): bool => $row->role->isApart());
        $rows = array_map(abs(...), $amounts(static fn (Row $row): bool => !$row->role->isApart()));
        if ([] === $totals || [] === $rows || min($totals) <= self::DWARFS * max($rows)) {
            return self::none();
        }

        return new self(min($totals) - self::LEFT * max($rows));
    }

    public function takes(Row $row): float
    {
        return $row->role->isApart() ? $this->amount : 0.0;
    }

    /** Two slanted lines with paper between them, across a bar. */
    public function mark(Stage $stage, Rect $bar, string $key): void
    {
        $isUpright = Plane::Upright === $stage->plane;
        [$low, $high] = $isUpright ? [$bar->x - 2.0, $bar->x + $bar->width + 2.0] : [$bar->y - 2.0, $bar->y + $bar->height + 2.0];
        $along = $stage->scale->beyond($stage->scale->zero, 0.3 * ($isUpright ? $bar->height : $bar->width));
        $stage->board->addBehind('breaks', $stage->plane->path([[$low, $along + 4.0], [$high, $along], [$high, $along - 4.0], [$low, $along]], Ink::Paper, null, 1.0, 'break', $key));
        foreach ([0.0, 4.0] as $shift) {
            $stage->board->addBehind('breaks', $stage->plane->line($low, $along + $shift, $high, $along + $shift - 4.0, Ink::Ink, 1.0, null, 'break', $key));
        }
    }

    /** @return list<float> */
    private static function sizes(Row $row, Workings $workings): array
    {
        $held = array_filter([$row->shown, ...array_map($row->value(...), $workings->references)], static fn (?BigDecimal $amount): bool => null !== $amount);

        return array_values(array_map(static fn (BigDecimal $amount): float => $amount->toFloat(), $held));
    }
}

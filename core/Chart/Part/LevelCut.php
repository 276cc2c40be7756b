<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Part;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Chart\Canvas\Stage;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Workings\Result\Row;

/**
 * How much is cut out of the totals of a waterfall: the same length of each, where all levels of the running total are
 * on one side of nought and far from it, so that steps would be small beside the totals.
 */
final readonly class LevelCut
{
    /** Levels this much further from nought than they are apart are cut. */
    private const DWARFS = 1.5;
    /** What is left of the lowest level, in parts of what levels are apart. */
    private const LEFT = 0.35;

    /**
     * @param float $amount of the sign of the levels; nought where nothing is cut
     * @param float $left of the lowest level, of the same sign
     */
    private function __construct(private float $amount, private float $left) {}

    /**
     * @param list<Row> $rows of all panels
     * @param list<string> $columns ids of the columns that levels are in
     */
    public static function of(array $rows, array $columns, bool $isWanted): self
    {
        $levels = [];
        foreach ($isWanted ? $rows : [] as $row) {
            foreach ($columns as $column) {
                $level = $row->values[$column] ?? null;
                $isFoot = $row->role->isWhole() && str_ends_with($column, 'from');
                if (null !== $level && !$isFoot) {
                    $levels[] = $level->toFloat();
                }
            }
        }
        if ([] === $levels || min($levels) * max($levels) <= 0.0) {
            return new self(0.0, 0.0);
        }
        $sizes = array_map(abs(...), $levels);
        $apart = max($sizes) - min($sizes);
        $isCut = $apart > 0.0 && min($sizes) > self::DWARFS * $apart;

        $sign = $levels[0] < 0.0 ? -1 : 1;
        $left = self::LEFT * $apart;

        return $isCut ? new self($sign * (min($sizes) - $left), $sign * $left) : new self(0.0, 0.0);
    }

    public function isCut(): bool
    {
        return 0.0 !== $this->amount;
    }

    /** Marks a bar that a piece is cut out of. */
    public function mark(Stage $stage, Rect $bar, string $key): void
    {
        BreakMark::draw($stage, $bar, $key, $stage->scale->at($this->left / 2));
    }

    /** Where a level is drawn, in the measure's unit. */
    public function level(BigDecimal $level): float
    {
        return $level->toFloat() - $this->amount;
    }
}

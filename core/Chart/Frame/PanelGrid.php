<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Frame;

/** Several charts of a kind in rows of up to four; those of one row begin at the same height. */
final readonly class PanelGrid
{
    private const MOST = 4;
    private const GAP = 22.0;

    private function __construct(private int $columns, private float $left, private float $width) {}

    /**
     * @param float $left room for names left of the first chart of a row
     * @param float $least width of a chart that can still be read
     */
    public static function of(int $count, float $left, float $right, float $least): self
    {
        $columns = max(1, min(self::MOST, $count, (int) floor(($right - $left + self::GAP) / ($least + self::GAP))));
        // Six stand better in two rows of three than in one of four and one of two.
        $columns = (int) ceil($count / ceil($count / $columns));

        return new self($columns, $left, ($right - $left - self::GAP * ($columns - 1)) / $columns);
    }

    public function left(int $i): float
    {
        return $this->left + ($i % $this->columns) * ($this->width + self::GAP);
    }

    public function right(int $i): float
    {
        return $this->left($i) + $this->width;
    }

    /** Whether it is the first chart of its row. */
    public function isFirst(int $i): bool
    {
        return 0 === $i % $this->columns;
    }

    public function width(): float
    {
        return $this->width;
    }
}

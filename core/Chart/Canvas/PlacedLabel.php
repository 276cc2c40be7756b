<?php

declare(strict_types=1);

namespace KeenMargin\Core\Chart\Canvas;

use KeenMargin\Core\Scene\Text;

/**
 * A number that wants to stand beside its mark. Level nought is the fullest form; each further one has a decimal less.
 */
final class PlacedLabel
{
    /** @var array<int, Text> */
    private array $written = [];

    /**
     * @param float $size of the amount, by which extremes are found
     * @param int $decimals of the fullest form
     * @param \Closure(int): Text $write with so many decimals
     * @param ?\Closure(int): Text $instead where the first has no room
     */
    public function __construct(
        public readonly float $size,
        public readonly int $decimals,
        private readonly \Closure $write,
        private readonly ?\Closure $instead = null,
    ) {}

    /** @return list<Text> the places where the label may stand, the best first */
    public function places(int $level): array
    {
        return null === $this->instead
            ? [$this->form($level)]
            : [$this->form($level), ($this->instead)(max(0, $this->decimals - $level))];
    }

    public function form(int $level): Text
    {
        $decimals = max(0, $this->decimals - $level);

        return $this->written[$decimals] ??= ($this->write)($decimals);
    }
}

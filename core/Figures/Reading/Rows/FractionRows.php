<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\RowSource;

/** Rows in which plain numbers beside percentages are fractions: `0.5` stands there as `50 %`. */
final readonly class FractionRows implements RowSource
{
    /** @param list<int> $places of the columns */
    public function __construct(private RowSource $source, private array $places, private Mapping $mapping) {}

    public function rows(int $after = -1): iterable
    {
        foreach ($this->source->rows($after) as $number => $cells) {
            foreach ($this->places as $place) {
                if (isset($cells[$place])) {
                    $cells[$place] = $this->asPercent($cells[$place]);
                }
            }
            yield $number => $cells;
        }
    }

    private function asPercent(string $cell): string
    {
        $amount = str_contains($cell, '%') ? null : $this->mapping->numbers()->maybe(Cell::clean($cell));

        return null === $amount
            ? $cell
            : str_replace(
                '.', $this->mapping->decimal->value, $amount->multipliedBy(100)->strippedOfTrailingZeros()->toString(),
            ).' %';
    }
}

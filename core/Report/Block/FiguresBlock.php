<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Block;

/** Key figures side by side. */
final readonly class FiguresBlock implements Block
{
    public const MOST = 6;

    /** @param list<KeyFigure> $figures */
    public function __construct(public string $id, public int $width = 1, public array $figures = []) {}

    public function id(): string
    {
        return $this->id;
    }

    public function width(): int
    {
        return $this->width;
    }

    public function datasets(): array
    {
        return array_values(
            array_filter(array_map(static fn (KeyFigure $figure): string => $figure->dataset, $this->figures)),
        );
    }

    public function isEmpty(): bool
    {
        return [] === $this->figures;
    }
}

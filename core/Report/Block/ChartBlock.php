<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Block;

/** A chart of the page's own, or one that is kept under a name. */
final readonly class ChartBlock implements Block
{
    /**
     * @param string $dataset name or id; blank: that of the named chart, or the only one
     * @param array<string, mixed>|null $recipe of the page's own chart; null: it is a named one
     * @param string $named name or id of the chart; blank: it is the page's own
     */
    public function __construct(
        public string $id,
        public int $width = 1,
        public string $dataset = '',
        public ?array $recipe = null,
        public string $named = '',
    ) {}

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
        return '' === $this->dataset ? [] : [$this->dataset];
    }

    public function isEmpty(): bool
    {
        return null === $this->recipe && '' === $this->named;
    }
}

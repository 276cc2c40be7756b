<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Block;

use KeenMargin\Core\Report\Text\LiveText;

/** Paragraphs and lists, with numbers of the page's charts in them. */
final readonly class TextBlock implements Block
{
    public function __construct(public string $id, public int $width = 1, public LiveText $text = new LiveText()) {}

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
        return [];
    }

    public function isEmpty(): bool
    {
        return $this->text->isEmpty();
    }
}

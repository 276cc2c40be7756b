<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** A paragraph of a shape, or an entry of a list. */
final readonly class TextLine
{
    /**
     * @param list<TextPiece> $pieces
     * @param 'start'|'middle'|'end' $anchor where it stands in its shape
     * @param ?float $height of each of its lines, in points; null: as its font has it
     * @param float $before points between it and the paragraph above
     * @param ?float $indent of an entry, in points; null: it is none
     */
    public function __construct(
        public array $pieces,
        public string $anchor = 'start',
        public ?float $height = null,
        public float $before = 0.0,
        public ?float $indent = null,
    ) {}

    public function text(): string
    {
        return implode('', array_map(static fn (TextPiece $piece): string => $piece->text, $this->pieces));
    }
}

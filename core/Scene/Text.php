<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** One line of text: `y` is its baseline, `width` is measured. */
final readonly class Text implements Mark
{
    /**
     * @param 'start'|'middle'|'end' $anchor where x stands in the text
     * @param 400|500|600 $weight 500 is the serif of messages and headings
     */
    public function __construct(
        public float $x,
        public float $y,
        public string $text,
        public float $size,
        public string $fill,
        public float $width,
        public string $anchor = 'start',
        public int $weight = 400,
        public string $role = 'label',
        public ?string $key = null,
        public ?string $of = null,
    ) {}

    public function box(): Box
    {
        $left = match ($this->anchor) {
            'start' => $this->x,
            'middle' => $this->x - $this->width / 2,
            'end' => $this->x - $this->width,
        };

        return new Box($left, $this->y - 0.78 * $this->size, $left + $this->width, $this->y + 0.22 * $this->size);
    }

    public function toArray(): array
    {
        return Plain::mark('text', $this);
    }
}

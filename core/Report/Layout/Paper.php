<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Report\Sheet;

/** What a page is laid out on: a sheet, or a column as wide as a screen and as high as it needs to be. */
final readonly class Paper
{
    public const PADDING = 26.0;
    public const FOOT = 34.0;
    public const NARROWEST_COLUMN = 320.0;
    private const BARE_MARGIN = 150.0;
    private const EDGE = 14.0;

    /**
     * @param ?float $height null: as high as needed, blocks below one another
     * @param float $margin width of the ruled margin with the notes; nought: they stand below
     * @param bool $isBare whether only blocks and notes stand on it, up to its edges: message and foot stand elsewhere
     */
    private function __construct(
        public float $width,
        public ?float $height,
        public float $margin,
        public bool $isBare = false,
    ) {}

    public static function sheet(Sheet $sheet): self
    {
        return new self($sheet->width(), $sheet->height(), $sheet->margin());
    }

    /**
     * A part of a slide that has its own title and foot.
     *
     * @param bool $hasNotes whether there is a margin for them
     */
    public static function within(float $width, float $height, bool $hasNotes): self
    {
        return new self($width, $height, $hasNotes ? self::BARE_MARGIN : 0.0, true);
    }

    public static function column(float $width): self
    {
        return new self(max(self::NARROWEST_COLUMN, $width), null, 0.0);
    }

    public function isColumn(): bool
    {
        return null === $this->height;
    }

    public function left(): float
    {
        return 0.0 === $this->margin ? $this->edge() : $this->margin + self::PADDING;
    }

    /** Of what stands beside the margin. */
    public function contentWidth(): float
    {
        return $this->width - $this->left() - (0.0 === $this->margin || $this->isBare ? $this->edge() : self::PADDING);
    }

    /** What is left free at the edges where there is no margin. */
    private function edge(): float
    {
        return $this->isBare ? 0.0 : self::EDGE;
    }

    /** Where notes begin in their margin. */
    public function notesLeft(): float
    {
        return $this->edge();
    }

    /** How far down blocks may reach; null: as far as they do. */
    public function bottom(): ?float
    {
        return null === $this->height || $this->isBare ? $this->height : $this->height - self::FOOT;
    }
}

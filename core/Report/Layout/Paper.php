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

    /**
     * @param ?float $height null: as high as needed, blocks below one another
     * @param float $margin width of the ruled margin with the notes; nought: they stand below
     */
    private function __construct(public float $width, public ?float $height, public float $margin)
    {
    }

    public static function sheet(Sheet $sheet): self
    {
        return new self($sheet->width(), $sheet->height(), $sheet->margin());
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
        return 0.0 === $this->margin ? 14.0 : $this->margin + self::PADDING;
    }

    /** Of what stands beside the margin. */
    public function contentWidth(): float
    {
        return $this->width - $this->left() - (0.0 === $this->margin ? 14.0 : self::PADDING);
    }

    /** How far down blocks may reach; null: as far as they do. */
    public function bottom(): ?float
    {
        return null === $this->height ? null : $this->height - self::FOOT;
    }
}

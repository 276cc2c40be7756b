<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

/** A chart cannot be had in a format. */
final class PictureNotDrawn extends \RuntimeException
{
    private function __construct(string $says, public readonly bool $isTooLarge)
    {
        parent::__construct($says);
    }

    public static function tooLarge(int $pixels): self
    {
        $most = number_format($pixels);

        return new self(
            "A PNG has up to $most pixels from top to bottom; this chart needs more. Take SVG or PDF, or fewer rows.",
            true,
        );
    }

    public static function because(string $why): self
    {
        return new self("The PNG could not be drawn. $why", false);
    }
}

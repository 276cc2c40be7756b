<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** What of a shape stays as it is on a slide that is brought up to date. */
final readonly class Kept
{
    /**
     * @param ?int $id that the slide knows it by; null: a new one
     * @param ?SlideFrame $frame where it is; null: where it is now, and likewise the others
     * @param string $turned how it is turned, as it is written
     * @param ?string $fill as it is written there
     * @param ?string $textFill colour of its letters
     * @param ?string $body its whole text
     * @param ?string $placeholder that it fills
     */
    public function __construct(
        public ?int $id = null,
        public ?SlideFrame $frame = null,
        public string $turned = '',
        public ?string $fill = null,
        public ?string $line = null,
        public ?string $textFill = null,
        public ?string $body = null,
        public ?string $placeholder = null,
    ) {}
}

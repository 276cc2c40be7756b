<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Shape\SlideFrame;

/** A layout of a template that has room for a title and a body. */
final readonly class TemplateLayout
{
    /**
     * @param string $part of the package
     * @param SlideFrame $title in points of the slide, as $body
     * @param ?int $bodyIndex by which the layout knows its body; null: there is one of its type
     */
    public function __construct(
        public string $part,
        public string $name,
        public SlideFrame $title,
        public SlideFrame $body,
        public ?int $bodyIndex,
    ) {}
}

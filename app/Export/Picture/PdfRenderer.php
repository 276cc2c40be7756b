<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Render\Renderer;
use KeenMargin\Core\Scene\Scene;

/**
 * A scene as PDF: vectors, the fonts inside, text that can be selected and searched. On one page, or on several where
 * it may be cut.
 */
final readonly class PdfRenderer implements Renderer
{
    /** @param string $fonts folder of the shipped fonts */
    public function __construct(private string $fonts) {}

    public function format(): string
    {
        return 'pdf';
    }

    public function render(Scene $scene): string
    {
        $paging = PdfPages::maybe($scene);
        $height = null === $paging ? $scene->height : PdfPages::height($scene);
        $canvas = new PdfSurface($scene->title, $scene->description, $this->fonts.'/pdf');
        $canvas->page($scene->width, $height);
        null === $paging ? $canvas->paint($scene) : PdfPages::paint($scene, $paging, $canvas);

        return $canvas->bytes();
    }
}

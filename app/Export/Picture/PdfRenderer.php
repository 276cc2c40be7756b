<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Render\Renderer;
use KeenMargin\Core\Scene\Scene;

/** A scene as PDF: vectors, the fonts inside, text that can be selected and searched. */
final readonly class PdfRenderer implements Renderer
{
    /** @param string $fonts folder of the shipped fonts */
    public function __construct(private string $fonts)
    {
    }

    public function format(): string
    {
        return 'pdf';
    }

    public function render(Scene $scene): string
    {
        $canvas = new PdfSurface($scene, $this->fonts.'/pdf');
        ScenePainter::paint($scene, $canvas);

        return $canvas->bytes();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;

/** A block of a page laid out for a place of its own: a chart that somebody moved or made smaller where it landed. */
final class BlockInFrame
{
    /**
     * @param float $left in points of the page, as all lengths here
     * @param float $height that a chart is made to have, if it can
     */
    public static function placed(
        ReportDrawing $drawing,
        Page $page,
        Block $block,
        float $left,
        float $top,
        float $width,
        float $height,
    ): PlacedBlock {
        $blocks = new BlockLayout($drawing, PageNotes::of($drawing, $page)->ofBlock);
        $draft = $blocks->draft($block, $left, $width, false);
        $draft->ask($height);
        $draft->draw();

        return $draft->placed('', $top, $drawing);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Paging;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Core\Scene\Text;

/** A long scene on pages as high as those of A4, each with the heads of its columns. */
final class PdfPages
{
    /** Height over width of a page, as of A4. */
    private const RATIO = 1.4142;
    /** Room above the rows and below them. */
    private const MARGIN = 16.0;
    private const FOOT = 28.0;

    /** Null where all of it stands on one page. */
    public static function maybe(Scene $scene): ?Paging
    {
        return null !== $scene->paging && $scene->height > self::height($scene) ? $scene->paging : null;
    }

    public static function height(Scene $scene): float
    {
        return ceil(self::RATIO * $scene->width);
    }

    public static function paint(Scene $scene, Paging $paging, PdfSurface $canvas): void
    {
        $pages = $paging->pages(self::height($scene) - self::MARGIN - self::FOOT, $scene->height);
        foreach ($pages as $number => [$from, $to]) {
            $top = self::MARGIN;
            if ($number > 0) {
                $canvas->page($scene->width, self::height($scene));
                $head = $paging->headBottom - $paging->headTop;
                $canvas->within($top, $head, self::part($scene, $paging->headTop, $paging->headBottom, $top));
                $top += $head;
            }
            $at = 0 === $number ? 0.0 : $top;
            $canvas->within($at, $to - $from, self::part($scene, $from, $to, $at));
            $canvas->number($number + 1, \count($pages));
        }
    }

    /**
     * What lies at least in part between two heights, moved to a height of the page; of text what stands on a line
     * between them.
     */
    private static function part(Scene $scene, float $from, float $to, float $at): Scene
    {
        $placing = new Placing(0.0, $at - $from);
        $marks = [];
        foreach ($scene->marks() as $mark) {
            $box = MarkBox::of($mark);
            // Of a text only its line counts: what hangs below it may reach into the next row.
            $top = $mark instanceof Text ? $mark->y - 1.0 : $box->top;
            $bottom = $mark instanceof Text ? $mark->y : $box->bottom;
            if ($bottom > $from && $top < $to) {
                $marks[] = $placing->mark($mark);
            }
        }

        return new Scene(
            width: $scene->width,
            height: $scene->height,
            title: $scene->title,
            description: $scene->description,
            groups: [new Group($marks)],
            colours: $scene->colours,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Picture;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Paging;
use KeenMargin\Core\Scene\Path;
use KeenMargin\Core\Scene\Rect;
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
                $canvas->page();
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
        $marks = [];
        foreach ($scene->marks() as $mark) {
            [$top, $bottom] = self::reach($mark);
            if ($bottom > $from && $top < $to) {
                $marks[] = self::moved($mark, $at - $from);
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

    private static function moved(Mark $mark, float $by): Mark
    {
        return match (true) {
            $mark instanceof Line => With::of($mark, ['y1' => $mark->y1 + $by, 'y2' => $mark->y2 + $by]),
            $mark instanceof Path => With::of($mark, [
                'points' => array_map(static fn (array $point): array => [$point[0], $point[1] + $by], $mark->points),
            ]),
            $mark instanceof Rect, $mark instanceof Circle, $mark instanceof Arc, $mark instanceof Text => With::of(
                $mark,
                ['y' => $mark->y + $by],
            ),
            default => $mark,
        };
    }

    /** @return array{float, float} */
    private static function reach(Mark $mark): array
    {
        return match (true) {
            $mark instanceof Rect => [$mark->y, $mark->y + $mark->height],
            $mark instanceof Line => [min($mark->y1, $mark->y2) - 0.5, max($mark->y1, $mark->y2) + 0.5],
            $mark instanceof Circle => [$mark->y - $mark->radius, $mark->y + $mark->radius],
            $mark instanceof Path => [min(array_column($mark->points, 1)), max(array_column($mark->points, 1))],
            $mark instanceof Arc => [$mark->y - $mark->outer, $mark->y + $mark->outer],
            $mark instanceof Text => [$mark->y - 1.0, $mark->y],
            default => [0.0, 0.0],
        };
    }
}

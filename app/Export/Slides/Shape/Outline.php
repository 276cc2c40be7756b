<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\Core\Scene\Arc;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Path;

/** The outline of a shape within its frame: a rectangle, an ellipse, a line, a polygon, a piece of a ring. */
final readonly class Outline
{
    /** Of a turn; angles are clockwise from the right. */
    private const PER_DEGREE = 60_000;

    /**
     * @param bool $isLine whether it is a straight line from corner to corner
     * @param bool $risesToRight of a line: from the lower left to the upper right
     */
    private function __construct(public string $xml, public bool $isLine = false, public bool $risesToRight = false) {}

    public static function rectangle(): self
    {
        return new self('<a:prstGeom prst="rect"><a:avLst/></a:prstGeom>');
    }

    public static function ellipse(): self
    {
        return new self('<a:prstGeom prst="ellipse"><a:avLst/></a:prstGeom>');
    }

    public static function line(Line $line): self
    {
        $rises = ($line->x2 - $line->x1) * ($line->y2 - $line->y1) < 0.0;

        return new self('<a:prstGeom prst="line"><a:avLst/></a:prstGeom>', true, $rises);
    }

    /** A polygon where it has a fill, else an open line. */
    public static function path(Path $path, SlideFrame $frame): self
    {
        $steps = '';
        foreach ($path->points as $i => [$x, $y]) {
            $point = self::point($x, $y, $frame);
            $steps .= 0 === $i ? "<a:moveTo>$point</a:moveTo>" : "<a:lnTo>$point</a:lnTo>";
        }

        return self::custom($steps, $frame, null !== $path->fill);
    }

    public static function arc(Arc $arc, SlideFrame $frame): self
    {
        $corner = static fn (float $radius, float $angle): string => self::point(
            ...[...Arc::at($arc->x, $arc->y, $radius, $angle), $frame],
        );
        $steps =
            '<a:moveTo>'.
            $corner($arc->outer, $arc->from).
            '</a:moveTo>'.
            self::arcTo($arc->outer, $arc->from, $arc->to).
            '<a:lnTo>'.
            $corner($arc->inner, $arc->to).
            '</a:lnTo>'.
            ($arc->inner > 0.0 ? self::arcTo($arc->inner, $arc->to, $arc->from) : '');

        return self::custom($steps, $frame, true);
    }

    private static function arcTo(float $radius, float $from, float $to): string
    {
        $length = Xml::emu($radius);
        $start = (int) round(fmod(180.0 + $from, 360.0) * self::PER_DEGREE);
        $swing = (int) round(($to - $from) * self::PER_DEGREE);

        return "<a:arcTo wR=\"$length\" hR=\"$length\" stAng=\"$start\" swAng=\"$swing\"/>";
    }

    private static function point(float $x, float $y, SlideFrame $frame): string
    {
        return '<a:pt x="'.Xml::emu($x - $frame->left).'" y="'.Xml::emu($y - $frame->top).'"/>';
    }

    private static function custom(string $steps, SlideFrame $frame, bool $isClosed): self
    {
        // A path without any extent of its own has no scale.
        $size = 'w="'.max(1, Xml::emu($frame->width)).'" h="'.max(1, Xml::emu($frame->height)).'"';

        return new self(
            '<a:custGeom><a:avLst/><a:gdLst/><a:ahLst/><a:cxnLst/><a:rect l="0" t="0" r="r" b="b"/><a:pathLst>'.
                ($isClosed ? "<a:path $size>$steps<a:close/>" : "<a:path $size fill=\"none\">$steps").
                '</a:path></a:pathLst></a:custGeom>',
        );
    }
}

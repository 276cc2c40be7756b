<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\Shape\Space;

/** What somebody put into a group, at its place in another. */
final class AsItWas
{
    /**
     * What somebody put into a group, as it is written there: where the group's places are told in other points than
     * those of what it will stand in, in a group of its own that tells them the same.
     *
     * @param Space $space of what it will stand in
     */
    public static function in(OldShape $shape, Space $space): string
    {
        $inner = $shape->parent->space ?? $space;
        if ($inner == $space || null === $shape->frame) {
            return $shape->whole();
        }
        $frame = $space->within($shape->frame);
        $told = $inner->within($shape->frame);
        $place = static fn (string $name, SlideFrame $one): string => "<a:$name x=\"".Xml::emu($one->left).'" y="'.
            Xml::emu($one->top).'"/>';
        $size = static fn (string $name, SlideFrame $one): string => "<a:$name cx=\"".Xml::emu($one->width).'" cy="'.
            Xml::emu($one->height).'"/>';

        return '<p:grpSp xmlns:p="'.Xml::PRESENTATION.'" xmlns:a="'.Xml::DRAWING.'"><p:nvGrpSpPr><p:cNvPr id="'.
            ($shape->id + 1_000_000).'" name=""/><p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr><p:grpSpPr><a:xfrm>'.
            $place('off', $frame).$size('ext', $frame).$place('chOff', $told).$size('chExt', $told).
            '</a:xfrm></p:grpSpPr>'.$shape->whole().'</p:grpSp>';
    }
}

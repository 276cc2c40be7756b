<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;

/** A slide, and the notes for whoever presents it. */
final class Slide
{
    public const TYPE = 'application/vnd.openxmlformats-officedocument.presentationml.slide+xml';
    /** The beginning of every tree of shapes. */
    public const TREE = '<p:spTree><p:nvGrpSpPr><p:cNvPr id="1" name=""/><p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr>'.
        '<p:grpSpPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="0" cy="0"/><a:chOff x="0" y="0"/><a:chExt cx="0" cy="0"/>'.
        '</a:xfrm></p:grpSpPr>';

    /**
     * @param string $name in outlines
     * @param string $shapes as they are written
     */
    public static function xml(string $name, string $shapes): string
    {
        return Xml::HEAD.'<p:sld '.Xml::NAMESPACES.'><p:cSld name="'.Xml::text($name).'">'.
            self::TREE.$shapes.'</p:spTree></p:cSld>'.
            '<p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:sld>';
    }
}

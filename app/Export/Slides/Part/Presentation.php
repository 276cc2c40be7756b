<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;

/** The part that holds a deck together: its slides in order, their size. */
final class Presentation
{
    public const TYPE = 'application/vnd.openxmlformats-officedocument.presentationml.presentation.main+xml';
    /** Ids of slides begin there. */
    private const FIRST = 256;

    /**
     * @param string $master id of the relation to the master of slides, as the others
     * @param list<string> $slides ids of their relations, in order
     * @param float $width of a slide in points, as its height
     */
    public static function xml(
        string $master,
        string $notesMaster,
        array $slides,
        float $width,
        float $height,
    ): string {
        $list = '';
        foreach ($slides as $i => $relation) {
            $list .= '<p:sldId id="'.(self::FIRST + $i)."\" r:id=\"$relation\"/>";
        }

        return Xml::HEAD.'<p:presentation '.Xml::NAMESPACES.' saveSubsetFonts="1"><p:sldMasterIdLst>'.
            "<p:sldMasterId id=\"2147483648\" r:id=\"$master\"/></p:sldMasterIdLst>".
            "<p:notesMasterIdLst><p:notesMasterId r:id=\"$notesMaster\"/></p:notesMasterIdLst>".
            ('' === $list ? '' : "<p:sldIdLst>$list</p:sldIdLst>").
            '<p:sldSz cx="'.Xml::emu($width).'" cy="'.Xml::emu($height).'"/>'.
            '<p:notesSz cx="'.Xml::emu(SpeakerNotes::WIDTH).'" cy="'.Xml::emu(SpeakerNotes::HEIGHT).'"/>'.
            '<p:defaultTextStyle><a:defPPr><a:defRPr lang="en-GB"/></a:defPPr><a:lvl1pPr marL="0" algn="l">'.
            '<a:defRPr sz="1100"><a:solidFill><a:schemeClr val="tx1"/></a:solidFill><a:latin typeface="+mn-lt"/>'.
            '<a:ea typeface="+mn-ea"/><a:cs typeface="+mn-cs"/></a:defRPr></a:lvl1pPr></p:defaultTextStyle>'.
            '</p:presentation>';
    }
}

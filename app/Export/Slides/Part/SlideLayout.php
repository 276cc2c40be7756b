<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Shape\Placeholder;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Sheet;

/** The layout and the master of a deck that has no template: a title, notes in the margin, texts. */
final class SlideLayout
{
    public const LAYOUT = 'application/vnd.openxmlformats-officedocument.presentationml.slideLayout+xml';
    public const MASTER = 'application/vnd.openxmlformats-officedocument.presentationml.slideMaster+xml';
    public const NOTES = 10;
    /** The first text of a page; further ones count on from there. */
    public const TEXT = 11;

    private const TOP = 16.0;
    private const TITLE = 52.0;
    private const BELOW_TITLE = 72.0;

    /** @var array<string, SlideFrame> by what stands there */
    private array $rooms;

    public function __construct(private readonly Sheet $sheet)
    {
        $paper = Paper::sheet($sheet);
        $height = $sheet->height() - Paper::FOOT;
        $content = $paper->contentWidth();
        $this->rooms = [
            'title' => new SlideFrame($paper->left(), self::TOP, $content, self::TITLE),
            'notes' => new SlideFrame(14.0, self::BELOW_TITLE, $paper->margin - 26.0, $height - self::BELOW_TITLE),
            'text' => new SlideFrame($paper->left(), self::BELOW_TITLE, $content, $height - self::BELOW_TITLE),
        ];
    }

    public function layout(): string
    {
        return Xml::HEAD.'<p:sldLayout '.Xml::NAMESPACES.' preserve="1"><p:cSld name="Page with a margin">'.
            self::tree([
                $this->placeholder('Message', 'title', new Placeholder('title')),
                $this->placeholder('Text', 'text', new Placeholder('body', self::TEXT)),
                $this->placeholder('Notes', 'notes', new Placeholder('body', self::NOTES)),
            ]).
            '</p:cSld><p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:sldLayout>';
    }

    /** @param string $layout id of the relation to the layout */
    public function master(string $layout): string
    {
        return Xml::HEAD.'<p:sldMaster '.Xml::NAMESPACES.' preserve="1"><p:cSld><p:bg><p:bgPr><a:solidFill>'.
            '<a:schemeClr val="bg1"/></a:solidFill><a:effectLst/></p:bgPr></p:bg>'.
            self::tree([
                $this->placeholder('Message', 'title', new Placeholder('title')),
                $this->placeholder('Text', 'text', new Placeholder('body', 1)),
            ]).
            '</p:cSld><p:clrMap bg1="lt1" tx1="dk1" bg2="lt2" tx2="dk2" accent1="accent1" accent2="accent2" '.
            'accent3="accent3" accent4="accent4" accent5="accent5" accent6="accent6" hlink="hlink" '.
            'folHlink="folHlink"/><p:sldLayoutIdLst><p:sldLayoutId id="2147483649" r:id="'.$layout.'"/>'.
            '</p:sldLayoutIdLst><p:txStyles><p:titleStyle>'.self::style('+mj-lt', 2000).'</p:titleStyle><p:bodyStyle>'.
            self::style('+mn-lt', 1200).'</p:bodyStyle><p:otherStyle>'.self::style('+mn-lt', 1100).
            '</p:otherStyle></p:txStyles></p:sldMaster>';
    }

    /** @param list<string> $shapes */
    private static function tree(array $shapes): string
    {
        return Slide::TREE.implode('', $shapes).'</p:spTree>';
    }

    private function placeholder(string $name, string $room, Placeholder $placeholder): string
    {
        $frame = $this->rooms[$room]->scaled($this->sheet->printed());
        $id = ['title' => 2, 'text' => 3, 'notes' => 4][$room];

        return "<p:sp><p:nvSpPr><p:cNvPr id=\"$id\" name=\"$name\"/><p:cNvSpPr><a:spLocks noGrp=\"1\"/></p:cNvSpPr>".
            "<p:nvPr>{$placeholder->xml()}</p:nvPr></p:nvSpPr><p:spPr><a:xfrm><a:off x=\"".Xml::emu($frame->left).
            '" y="'.Xml::emu($frame->top).'"/><a:ext cx="'.Xml::emu($frame->width).'" cy="'.Xml::emu($frame->height).
            '"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></p:spPr><p:txBody>'.
            '<a:bodyPr lIns="0" tIns="0" rIns="0" bIns="0"><a:noAutofit/></a:bodyPr><a:lstStyle/>'.
            "<a:p><a:r><a:rPr lang=\"en-GB\"/><a:t>$name</a:t></a:r></a:p></p:txBody></p:sp>";
    }

    private static function style(string $font, int $size): string
    {
        return '<a:lvl1pPr marL="0" indent="0" algn="l"><a:spcBef><a:spcPts val="0"/></a:spcBef><a:buNone/>'.
            "<a:defRPr sz=\"$size\"><a:solidFill><a:schemeClr val=\"tx1\"/></a:solidFill>".
            "<a:latin typeface=\"$font\"/><a:ea typeface=\"".str_replace('lt', 'ea', $font).'"/><a:cs typeface="'.
            str_replace('lt', 'cs', $font).'"/></a:defRPr></a:lvl1pPr>';
    }
}

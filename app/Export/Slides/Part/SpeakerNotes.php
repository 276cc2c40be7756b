<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Shape\Tag;

/** What stands under a slide for whoever presents it, and the master of those pages. */
final class SpeakerNotes
{
    public const TYPE = 'application/vnd.openxmlformats-officedocument.presentationml.notesSlide+xml';
    public const MASTER = 'application/vnd.openxmlformats-officedocument.presentationml.notesMaster+xml';
    /** A4 upright, in points. */
    public const WIDTH = 540.0;
    public const HEIGHT = 720.0;

    /** Key of the text in tags. */
    public const KEY = 'speech';

    /**
     * @param list<Speech> $speeches
     * @param callable(string): string $link id of the relation to an address
     *
     * @return list<SpeakerLine>
     */
    public static function lines(array $speeches, callable $link): array
    {
        $lines = [];
        foreach ($speeches as $i => $speech) {
            if ($i > 0) {
                $lines[] = new SpeakerLine('');
            }
            $lines[] = new SpeakerLine($speech->title, isHead: true);
            foreach ($speech->said as $sentence) {
                $lines[] = new SpeakerLine($sentence);
            }
            if (null !== $speech->address) {
                $lines[] = new SpeakerLine($speech->address, link: $link($speech->address));
            }
        }

        return $lines;
    }

    /** @param list<SpeakerLine> $lines */
    private static function text(array $lines): string
    {
        return implode("\n", array_map(static fn (SpeakerLine $line): string => $line->text, $lines));
    }

    /**
     * Tag of the text, as it is written.
     *
     * @param string $page id
     * @param list<SpeakerLine> $lines
     */
    public static function tag(string $page, array $lines): string
    {
        return (new Tag($page, self::KEY, text: Tag::ofText(self::text($lines))))->written();
    }

    /** @param list<SpeakerLine> $lines */
    public static function body(array $lines): string
    {
        $paragraphs = '';
        foreach ($lines as $line) {
            $link = null === $line->link ? '' : "<a:hlinkClick r:id=\"$line->link\"/>";
            $weight = $line->isHead ? ' b="1"' : '';
            $text = Xml::text($line->text);
            $paragraphs .= '' === $text
                ? '<a:p/>'
                : "<a:p><a:r><a:rPr lang=\"en-GB\"$weight noProof=\"1\">$link</a:rPr><a:t>$text</a:t></a:r></a:p>";
        }

        return '<p:txBody><a:bodyPr/><a:lstStyle/>'.('' === $paragraphs ? '<a:p/>' : $paragraphs).'</p:txBody>';
    }

    /**
     * @param list<SpeakerLine> $lines
     * @param string $description of the text, with its tag
     */
    public static function xml(array $lines, string $description): string
    {
        return Xml::HEAD.'<p:notes '.Xml::NAMESPACES.'><p:cSld>'.Slide::TREE.
            '<p:sp><p:nvSpPr><p:cNvPr id="2" name="Slide"/><p:cNvSpPr><a:spLocks noGrp="1" noRot="1" '.
            'noChangeAspect="1"/></p:cNvSpPr><p:nvPr><p:ph type="sldImg"/></p:nvPr></p:nvSpPr><p:spPr/></p:sp>'.
            '<p:sp><p:nvSpPr><p:cNvPr id="3" name="Notes" descr="'.Xml::text($description).'"/><p:cNvSpPr>'.
            '<a:spLocks noGrp="1"/></p:cNvSpPr><p:nvPr><p:ph type="body" idx="1"/></p:nvPr></p:nvSpPr><p:spPr/>'.
            self::body($lines).'</p:sp></p:spTree></p:cSld>'.
            '<p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:notes>';
    }

    public static function master(): string
    {
        return Xml::HEAD.'<p:notesMaster '.Xml::NAMESPACES.'><p:cSld><p:bg><p:bgPr><a:solidFill>'.
            '<a:schemeClr val="bg1"/></a:solidFill><a:effectLst/></p:bgPr></p:bg>'.Slide::TREE.
            '<p:sp><p:nvSpPr><p:cNvPr id="2" name="Slide"/><p:cNvSpPr><a:spLocks noGrp="1" noRot="1" '.
            'noChangeAspect="1"/></p:cNvSpPr><p:nvPr><p:ph type="sldImg" idx="2"/></p:nvPr></p:nvSpPr><p:spPr>'.
            self::place(36.0, 54.0, 468.0, 263.25).'</p:spPr></p:sp>'.
            '<p:sp><p:nvSpPr><p:cNvPr id="3" name="Notes"/><p:cNvSpPr><a:spLocks noGrp="1"/></p:cNvSpPr><p:nvPr>'.
            '<p:ph type="body" sz="quarter" idx="3"/></p:nvPr></p:nvSpPr><p:spPr>'.
            self::place(54.0, 342.0, 432.0, 324.0).'</p:spPr><p:txBody><a:bodyPr/><a:lstStyle/><a:p><a:r>'.
            '<a:rPr lang="en-GB"/><a:t>Notes</a:t></a:r></a:p></p:txBody></p:sp></p:spTree></p:cSld>'.
            '<p:clrMap bg1="lt1" tx1="dk1" bg2="lt2" tx2="dk2" accent1="accent1" accent2="accent2" accent3="accent3" '.
            'accent4="accent4" accent5="accent5" accent6="accent6" hlink="hlink" folHlink="folHlink"/>'.
            '<p:notesStyle><a:lvl1pPr marL="0" algn="l"><a:defRPr sz="1100"><a:solidFill><a:schemeClr val="tx1"/>'.
            '</a:solidFill><a:latin typeface="+mn-lt"/><a:ea typeface="+mn-ea"/><a:cs typeface="+mn-cs"/></a:defRPr>'.
            '</a:lvl1pPr></p:notesStyle></p:notesMaster>';
    }

    private static function place(float $left, float $top, float $width, float $height): string
    {
        return '<a:xfrm><a:off x="'.Xml::emu($left).'" y="'.Xml::emu($top).'"/><a:ext cx="'.Xml::emu($width).
            '" cy="'.Xml::emu($height).'"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom>';
    }
}

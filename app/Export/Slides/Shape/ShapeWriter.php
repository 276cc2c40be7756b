<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Paint\Palette;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;

/** Writes the shapes of one slide. */
final class ShapeWriter
{
    private const ANCHORS = ['start' => 'l', 'middle' => 'ctr', 'end' => 'r'];
    private const AT = ['top' => 't', 'middle' => 'ctr', 'bottom' => 'b'];

    /** @var array<string, string> properties of pieces of text that were written before */
    private array $styles = [];
    private int $lastId;

    /** @param int $lastId the highest id that the slide has already */
    public function __construct(private readonly Palette $palette, int $lastId = 1)
    {
        $this->lastId = $lastId;
    }

    /** @param string $block id of the block that it belongs to */
    public function node(Node $node, string $block): string
    {
        return match (true) {
            $node instanceof ShapeGroup => $this->group($node, $block),
            $node instanceof Shape => $this->shape($node, $block),
            default => throw new \InvalidArgumentException($node::class.' cannot be written on a slide.'),
        };
    }

    public function group(ShapeGroup $group, string $block): string
    {
        $frame = $group->frame();
        $inside = implode('', array_map(fn (Node $node): string => $this->node($node, $block), $group->nodes));

        return '<p:grpSp><p:nvGrpSpPr>'.
            $this->identity($group->name, self::tagOfGroup($group, $block)->after($group->words)).
            '<p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr><p:grpSpPr>'.
            self::place($frame, '', true).
            '</p:grpSpPr>'.
            $inside.
            '</p:grpSp>';
    }

    public function shape(Shape $shape, string $block): string
    {
        $outline = $shape->outline;
        $identity = $this->identity($shape->name, self::tag($shape, $block)->after(''));
        $place = self::place($shape->frame, $outline->risesToRight ? ' flipV="1"' : '');
        $paint =
            $outline->xml.
            ($outline->isLine ? '' : $this->palette->fill($shape->fill, $shape->colours)).
            $this->palette->line($shape->stroke, $shape->colours, $shape->thickness, $shape->dash);
        if ($outline->isLine) {
            return "<p:cxnSp><p:nvCxnSpPr>$identity<p:cNvCxnSpPr/><p:nvPr/></p:nvCxnSpPr>".
                "<p:spPr>$place$paint</p:spPr></p:cxnSp>";
        }
        $isBox = null !== $shape->text && null === $shape->fill && null === $shape->placeholder;
        $locks = null === $shape->placeholder ? '' : '<a:spLocks noGrp="1"/>';
        $about = $isBox ? '<p:cNvSpPr txBox="1"/>' : ('' === $locks ? '<p:cNvSpPr/>' : "<p:cNvSpPr>$locks</p:cNvSpPr>");
        $placeholder = null === $shape->placeholder ? '<p:nvPr/>' : "<p:nvPr>{$shape->placeholder->xml()}</p:nvPr>";

        return "<p:sp><p:nvSpPr>$identity$about$placeholder</p:nvSpPr><p:spPr>$place$paint</p:spPr>".
            (null === $shape->text ? '' : $this->text($shape->text, $shape->colours)).
            '</p:sp>';
    }

    /** What its description says of a shape. */
    public static function tag(Shape $shape, string $block): Tag
    {
        $inks = [$shape->fill, $shape->stroke, $shape->text?->lines[0]->pieces[0]->ink ?? null];

        return new Tag($block, $shape->key, array_filter([
            'at' => Tag::frame($shape->frame),
            'as' => implode(',', array_map(static fn (?Ink $ink): string => $ink->value ?? '', $inks)),
            'says' => null === $shape->text ? '' : hash('crc32b', $shape->text->text()),
        ]));
    }

    public static function tagOfGroup(ShapeGroup $group, string $block): Tag
    {
        $keys = array_map(
            static fn (Node $node): string => $node instanceof Shape || $node instanceof ShapeGroup ? $node->key : '',
            $group->nodes,
        );
        $room = $group->room;

        return new Tag($block, $group->key, [
            ...null === $room ? [] : ['at' => Tag::frame($room)],
            'has' => implode(',', $keys),
        ]);
    }

    public function text(TextBody $body, string $colours): string
    {
        $lines = '';
        foreach ($body->lines as $line) {
            $lines .= $this->line($line, $colours);
        }
        $wrap = $body->wraps ? 'square' : 'none';

        return "<p:txBody><a:bodyPr vertOverflow=\"overflow\" horzOverflow=\"overflow\" wrap=\"$wrap\" ".
            'lIns="0" tIns="0" rIns="0" bIns="0" rtlCol="0" anchor="'.self::AT[$body->at].'"><a:noAutofit/></a:bodyPr>'.
            "<a:lstStyle/>$lines</p:txBody>";
    }

    private function line(TextLine $line, string $colours): string
    {
        $pieces = '';
        foreach ($line->pieces as $piece) {
            $text = Xml::text($piece->text);
            $pieces .= "<a:r>{$this->style('rPr', $piece, $colours)}<a:t>$text</a:t></a:r>";
        }
        $indent = $line->indent;
        $margin = null === $indent
            ? ' marL="0" indent="0"'
            : ' marL="'.Xml::emu($indent).'" indent="'.Xml::emu(-$indent).'"';
        $height = null === $line->height
            ? ''
            : '<a:lnSpc><a:spcPts val="'.(int) round(100.0 * $line->height).'"/></a:lnSpc>';
        $bullet = null === $indent
            ? '<a:buNone/>'
            : '<a:buClr>'.$this->palette->colour(Ink::Quiet, $colours).'</a:buClr><a:buChar char="•"/>';

        return '<a:p><a:pPr'.$margin.' algn="'.self::ANCHORS[$line->anchor].'" rtl="0">'.$height.
            '<a:spcBef><a:spcPts val="'.(int) round(100.0 * $line->before).'"/></a:spcBef>'.
            '<a:spcAft><a:spcPts val="0"/></a:spcAft>'.
            "$bullet</a:pPr>$pieces</a:p>";
    }

    private function style(string $element, TextPiece $piece, string $colours): string
    {
        $key = "$element {$piece->ink->value} $piece->size $piece->weight $colours";

        return $this->styles[$key] ??= "<a:$element lang=\"en-GB\" sz=\"".(int) round(100.0 * $piece->size).
            '" b="'.(600 === $piece->weight ? 1 : 0).'" i="0" noProof="1" dirty="0"><a:solidFill>'.
            $this->palette->colour($piece->ink, $colours).
            '</a:solidFill><a:latin typeface="'.(Type::SERIF_WEIGHT === $piece->weight ? '+mj-lt' : '+mn-lt').'"/>'.
            "</a:$element>";
    }

    private function identity(string $name, string $description): string
    {
        $id = ++$this->lastId;

        return "<p:cNvPr id=\"$id\" name=\"".Xml::text($name).'" descr="'.Xml::text($description).'"/>';
    }

    /** @param bool $holds whether it is a group, whose shapes are placed as on the slide */
    private static function place(Frame $frame, string $turned, bool $holds = false): string
    {
        $at = 'x="'.Xml::emu($frame->left).'" y="'.Xml::emu($frame->top).'"';
        $size = 'cx="'.Xml::emu($frame->width).'" cy="'.Xml::emu($frame->height).'"';

        return "<a:xfrm$turned><a:off $at/><a:ext $size/>".
            ($holds ? "<a:chOff $at/><a:chExt $size/>" : '').
            '</a:xfrm>';
    }
}

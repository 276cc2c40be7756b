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
    /** In which places are told. */
    private Space $space;

    /** @param int $lastId the highest id that the slide has already */
    public function __construct(private readonly Palette $palette, int $lastId = 1)
    {
        $this->space = new Space();
        $this->lastId = $lastId;
    }

    /** The same that tells places as a group of the slide does. */
    public function within(Space $space): self
    {
        $this->space = $space;

        return $this;
    }

    /** @param list<Placed> $nodes in order */
    public function all(array $nodes): string
    {
        $written = '';
        foreach ($nodes as $placed) {
            $written .= $this->node($placed->node, $placed->block);
        }

        return $written;
    }

    /**
     * @param string $block id of the block that it belongs to
     * @param ?callable(SlideShape): ?Kept $kept what a shape keeps of how it was, or that it is left out; null: nothing
     *
     * @return string blank where all of it is left out
     */
    public function node(Node $node, string $block, ?callable $kept = null): string
    {
        return match (true) {
            $node instanceof ShapeGroup => $this->group($node, $block, $kept),
            $node instanceof SlideShape => $this->shape($node, $block, null === $kept ? new Kept() : $kept($node)),
            default => throw new \InvalidArgumentException($node::class.' cannot be written on a slide.'),
        };
    }

    /**
     * @param ?callable(SlideShape): ?Kept $kept
     * @param string $besides further shapes in it, as they are written
     * @param ?int $id null: one of its own
     */
    public function group(
        ShapeGroup $group,
        string $block,
        ?callable $kept = null,
        string $besides = '',
        ?int $id = null,
    ): string {
        $inside = '';
        foreach ($group->nodes as $node) {
            $inside .= $this->node($node, $block, $kept);
        }
        $inside .= $besides;
        if ('' === $inside) {
            return '';
        }
        $tag = new Tag($block, $group->key);

        return '<p:grpSp><p:nvGrpSpPr>'.
            $this->identity($group->name, $tag->after($group->words), $id).
            '<p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr><p:grpSpPr>'.
            $this->place($group->frame(), '', true).
            '</p:grpSpPr>'.
            $inside.
            '</p:grpSp>';
    }

    /** @param ?Kept $kept what of it stays as it is on a slide; null: it is left out */
    public function shape(SlideShape $shape, string $block, ?Kept $kept): string
    {
        if (null === $kept) {
            return '';
        }
        if ($shape->inherits) {
            return $this->inheriting($shape, $block, $kept);
        }
        $outline = $shape->outline;
        $tag = self::tag($shape, $block)->written();
        $identity = $this->identity("$shape->name $tag", $tag, $kept->id);
        $turned = $outline->risesToRight ? ' flipV="1"' : '';
        $place = null === $kept->frame
            ? $this->place($shape->frame, $turned)
            : $this->place($kept->frame, $kept->turned);
        $paint =
            $outline->xml.
            ($outline->isLine ? '' : $kept->fill ?? $this->palette->fill($shape->fill, $shape->colours)).
            ($kept->line ?? $this->palette->line($shape->stroke, $shape->colours, $shape->thickness, $shape->dash));
        if ($outline->isLine) {
            return "<p:cxnSp><p:nvCxnSpPr>$identity<p:cNvCxnSpPr/><p:nvPr/></p:nvCxnSpPr>".
                "<p:spPr>$place$paint</p:spPr></p:cxnSp>";
        }
        $isBox = null !== $shape->text && null === $shape->fill && null === $shape->placeholder;
        $locks = null === $shape->placeholder ? '' : '<a:spLocks noGrp="1"/>';
        $about = $isBox ? '<p:cNvSpPr txBox="1"/>' : ('' === $locks ? '<p:cNvSpPr/>' : "<p:cNvSpPr>$locks</p:cNvSpPr>");
        $placeholder = $kept->placeholder ?? $shape->placeholder?->xml() ?? '';
        $text = null === $shape->text ? '' : $kept->body ?? $this->text($shape->text, $shape->colours, $kept->textFill);

        return "<p:sp><p:nvSpPr>$identity$about".
            ('' === $placeholder ? '<p:nvPr/>' : "<p:nvPr>$placeholder</p:nvPr>").
            "</p:nvSpPr><p:spPr>$place$paint</p:spPr>$text</p:sp>";
    }

    /** A placeholder whose layout says all but its text. */
    private function inheriting(SlideShape $shape, string $block, Kept $kept): string
    {
        $tag = self::tag($shape, $block)->written();
        $place = null === $kept->frame ? '' : $this->place($kept->frame, $kept->turned);
        $lines = '';
        foreach ($shape->text->lines ?? [] as $line) {
            $lines .= '<a:p><a:r><a:rPr lang="en-GB" noProof="1"/><a:t>'.Xml::text($line->text()).'</a:t></a:r></a:p>';
        }
        $placeholder = $kept->placeholder ?? $shape->placeholder?->xml() ?? '';

        return '<p:sp><p:nvSpPr>'.$this->identity("$shape->name $tag", $tag, $kept->id).
            "<p:cNvSpPr><a:spLocks noGrp=\"1\"/></p:cNvSpPr><p:nvPr>$placeholder</p:nvPr></p:nvSpPr>".
            "<p:spPr>$place</p:spPr>".
            ($kept->body ?? "<p:txBody><a:bodyPr/><a:lstStyle/>$lines</p:txBody>").
            '</p:sp>';
    }

    /** What its name and description tell of a shape. */
    public static function tag(SlideShape $shape, string $block): Tag
    {
        return new Tag(
            block: $block,
            shape: $shape->key,
            frame: $shape->inherits ? null : $shape->frame,
            inks: [$shape->fill, $shape->stroke, $shape->text?->ink()],
            text: Tag::ofText($shape->text?->text() ?? ''),
            room: $shape->room,
        );
    }

    /** @param ?string $fill of all its letters; null: that of each piece */
    private function text(TextBody $body, string $colours, ?string $fill = null): string
    {
        $lines = '';
        foreach ($body->lines as $line) {
            $lines .= $this->line($line, $colours, $fill);
        }
        $wrap = $body->wraps ? 'square' : 'none';

        return "<p:txBody><a:bodyPr vertOverflow=\"overflow\" horzOverflow=\"overflow\" wrap=\"$wrap\" ".
            'lIns="0" tIns="0" rIns="0" bIns="0" rtlCol="0" anchor="'.self::AT[$body->at].'"><a:noAutofit/></a:bodyPr>'.
            "<a:lstStyle/>$lines</p:txBody>";
    }

    private function line(TextLine $line, string $colours, ?string $fill): string
    {
        $pieces = '';
        foreach ($line->pieces as $piece) {
            $text = Xml::text($piece->text);
            $style = $this->style($piece, $colours, $fill);
            $pieces .= "<a:r>$style<a:t>$text</a:t></a:r>";
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

    private function style(TextPiece $piece, string $colours, ?string $fill): string
    {
        $key = "{$piece->ink->value} $piece->size $piece->weight $colours $fill";

        return $this->styles[$key] ??= '<a:rPr lang="en-GB" sz="'.(int) round(100.0 * $piece->size).
            '" b="'.(600 === $piece->weight ? 1 : 0).'" i="0" noProof="1" dirty="0">'.
            ($fill ?? '<a:solidFill>'.$this->palette->colour($piece->ink, $colours).'</a:solidFill>').
            '<a:latin typeface="'.(Type::SERIF_WEIGHT === $piece->weight ? '+mj-lt' : '+mn-lt').'"/></a:rPr>';
    }

    private function identity(string $name, string $description, ?int $id): string
    {
        $id ??= ++$this->lastId;

        return "<p:cNvPr id=\"$id\" name=\"".Xml::text($name).'" descr="'.Xml::text($description).'"/>';
    }

    /** @param bool $holds whether it is a group, whose shapes are placed as on the slide */
    private function place(SlideFrame $frame, string $turned, bool $holds = false): string
    {
        $frame = $this->space->within($frame);
        $at = 'x="'.Xml::emu($frame->left).'" y="'.Xml::emu($frame->top).'"';
        $size = 'cx="'.Xml::emu($frame->width).'" cy="'.Xml::emu($frame->height).'"';

        return "<a:xfrm$turned><a:off $at/><a:ext $size/>".
            ($holds ? "<a:chOff $at/><a:chExt $size/>" : '').
            '</a:xfrm>';
    }
}

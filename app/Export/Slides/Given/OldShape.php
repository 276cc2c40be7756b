<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

use KeenMargin\App\Export\Slides\Package\Xml;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\Shape\Space;
use KeenMargin\App\Export\Slides\Shape\Tag;

/** What stands on a slide that somebody gave: a shape, a group, or anything else. */
final class OldShape
{
    private const TRANSFORM = '~<(?:\w+:)?xfrm\b[^>]*?(?:/>|>.*?</(?:\w+:)?xfrm>)~s';
    private const PROPERTIES = '~<(?:\w+:)?spPr\b[^>]*?(?:/>|>.*?</(?:\w+:)?spPr>)~s';
    private const FILL =
        '~<(?:\w+:)?(noFill|solidFill|pattFill|gradFill|blipFill|grpFill)\b[^>]*?(?:/>|>.*?</(?:\w+:)?\1>)~s';
    private const LINE = '~<(?:\w+:)?ln\b[^>]*?(?:/>|>.*?</(?:\w+:)?ln>)~s';
    private const BODY = '~<(?:\w+:)?txBody\b.*</(?:\w+:)?txBody>~s';

    /** @var list<self> of a group, from back to front */
    public array $children = [];
    public ?self $parent = null;
    /** Behind its last byte. */
    public int $end;
    public readonly ?Tag $tag;
    public readonly int $id;
    public readonly string $name;
    public readonly ?SlideFrame $frame;
    public readonly Space $space;
    public readonly string $place;

    /**
     * @param string $kind local name of its element: `sp`, `cxnSp`, `grpSp`, `pic` …
     * @param int $start in bytes of the slide's XML
     * @param string $xml all of it; of a group only what stands before its first shape
     * @param string $slide the XML of the whole slide
     * @param Space $space of the group that it stands in; of the slide where it is in none
     */
    public function __construct(
        public readonly string $kind,
        public readonly int $start,
        public readonly string $xml,
        Space $space,
        private readonly string $slide,
    ) {
        $this->end = $start + \strlen($xml);
        $about = 1 === preg_match('~<(?:\w+:)?cNvPr\b(?:[^>"\']|"[^"]*"|\'[^\']*\')*>~', $xml, $found) ? $found[0] : '';
        $this->id = (int) Xml::attribute($about, 'id');
        $name = Xml::attribute($about, 'name');
        $this->name = Tag::without($name);
        $this->tag = Tag::maybeIn(Xml::attribute($about, 'descr')) ?? Tag::maybeIn($name);
        $this->place = 1 === preg_match(self::TRANSFORM, $xml, $found) ? $found[0] : '';
        $own = self::maybeFrame($this->place, 'off', 'ext');
        $inner = self::maybeFrame($this->place, 'chOff', 'chExt');
        $this->frame = null === $own ? null : $space->onSlide($own);
        $this->space =
            'grpSp' === $kind && null !== $own && null !== $inner
                ? $space->inside(Space::between($inner, $own))
                : $space;
    }

    public function isGroup(): bool
    {
        return 'grpSp' === $this->kind;
    }

    /** How it is turned, as attributes. */
    public function turned(): string
    {
        $head = substr($this->place, 0, (int) strpos($this->place, '>'));
        preg_match_all('~\s(?:rot|flipH|flipV)="[^"]*"~', $head, $found);

        return implode('', $found[0]);
    }

    /** All the bytes that it is written in. */
    public function whole(): string
    {
        if (!$this->isGroup()) {
            return $this->xml;
        }

        return substr($this->slide, $this->start, $this->end - $this->start);
    }

    /** Whether it is one shape that came from here. */
    public function isOurs(): bool
    {
        return !$this->isGroup() && null !== $this->tag && '' !== $this->tag->shape;
    }

    /** @return \Generator<int, self> itself, and what stands in it */
    public function all(): \Generator
    {
        yield $this;
        foreach ($this->children as $child) {
            yield from $child->all();
        }
    }

    /** Type of the placeholder that it fills, `body` where it is none that is named; null: it is no placeholder. */
    public function maybePlaceholder(): ?string
    {
        return 1 === preg_match('~<(?:\w+:)?ph\b[^>]*>~', $this->xml, $found)
            ? (Xml::attribute($found[0], 'type') ?: 'body')
            : null;
    }

    /** The placeholder as it is written. */
    public function placeholder(): ?string
    {
        $isOne = 1 === preg_match('~<(?:\w+:)?ph\b[^>]*?(?:/>|>.*?</(?:\w+:)?ph>)~s', $this->xml, $found);

        return $isOne ? $found[0] : null;
    }

    public function fill(): string
    {
        $without = (string) preg_replace(self::LINE, '', $this->properties());

        return 1 === preg_match(self::FILL, $without, $found) ? $found[0] : '';
    }

    public function line(): string
    {
        return 1 === preg_match(self::LINE, $this->properties(), $found) ? $found[0] : '';
    }

    /** Colour of its first letters, as it is written; blank where nothing tells. */
    public function textFill(): string
    {
        $isTold = 1 === preg_match('~<(?:\w+:)?rPr\b[^>]*>.*?</(?:\w+:)?rPr>~s', $this->body(), $found);

        return $isTold && 1 === preg_match(self::FILL, $found[0], $fill) ? $fill[0] : '';
    }

    public function body(): string
    {
        return 1 === preg_match(self::BODY, $this->xml, $found) ? $found[0] : '';
    }

    /** What it says, a line a paragraph. */
    public function text(): string
    {
        return TextOfBody::of($this->body());
    }

    private function properties(): string
    {
        return 1 === preg_match(self::PROPERTIES, $this->xml, $found) ? $found[0] : '';
    }

    private static function maybeFrame(string $place, string $offset, string $size): ?SlideFrame
    {
        $isTold =
            1 === preg_match("~<(?:\\w+:)?$offset\\b[^>]*>~", $place, $at)
            && 1 === preg_match("~<(?:\\w+:)?$size\\b[^>]*>~", $place, $extent);

        return $isTold
            ? new SlideFrame(
                Xml::points((int) Xml::attribute($at[0] ?? '', 'x')),
                Xml::points((int) Xml::attribute($at[0] ?? '', 'y')),
                Xml::points((int) Xml::attribute($extent[0] ?? '', 'cx')),
                Xml::points((int) Xml::attribute($extent[0] ?? '', 'cy')),
            )
            : null;
    }
}

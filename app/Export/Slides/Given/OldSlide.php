<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Given;

use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\Shape\Space;

/** The shapes of a slide that somebody gave, each with the bytes that it is written in. */
final class OldSlide
{
    /** @var list<OldShape> what stands on it, from back to front */
    public readonly array $shapes;
    /** Where further shapes can be written: in front of all others. */
    public readonly int $end;
    public readonly int $highestId;
    private int $count = 0;
    private int $at = 0;
    /** The end of the group that was read last. */
    private ?MarkupTag $closed = null;

    /** @param list<MarkupTag> $tags */
    private function __construct(public readonly string $xml, private array $tags)
    {
        while (isset($tags[$this->at]) && 'spTree' !== $tags[$this->at]->kind) {
            ++$this->at;
        }
        ++$this->at;
        $this->shapes = $this->within(new Space());
        $this->end = $this->closed->start ?? 0;
        preg_match_all('~<(?:\w+:)?cNvPr\b[^>]*?\sid="(\d{1,9})"~', $xml, $ids);
        $this->highestId = max([1, ...array_map(intval(...), $ids[1])]);
        $this->tags = [];
    }

    /**
     * @param string $part name, as refusals tell it
     * @param int $most shapes that it may have
     *
     * @throws DeckRefused where it has more, or is no slide
     */
    public static function read(string $xml, string $part, int $most): self
    {
        if (MarkupTag::count($xml) > $most) {
            throw DeckRefused::isTooLarge("more than $most shapes");
        }
        $slide = new self($xml, MarkupTag::all($xml));

        return 0 === $slide->end ? throw DeckRefused::isBroken($part) : $slide;
    }

    /** How many shapes and groups are on it. */
    public function count(): int
    {
        return $this->count;
    }

    /** @return list<OldShape> all of them, groups before what stands in them */
    public function all(): array
    {
        $all = [];
        foreach ($this->shapes as $shape) {
            array_push($all, ...iterator_to_array($shape->all(), false));
        }

        return $all;
    }

    /** @return list<OldShape> what is left of the tree or group that is being read */
    private function within(Space $space): array
    {
        $shapes = [];
        while (isset($this->tags[$this->at])) {
            $tag = $this->tags[$this->at++];
            if ($tag->isEnd) {
                $this->closed = $tag;

                return $shapes;
            }
            $isGroup = 'grpSp' === $tag->kind && !$tag->isEmpty;
            $shapes[] = $isGroup ? $this->group($tag, $space) : $this->single($tag, $space);
        }

        return $shapes;
    }

    private function group(MarkupTag $tag, Space $space): OldShape
    {
        // Its own properties end where its first shape begins.
        $head = ($this->tags[$this->at]->start ?? $tag->end) - $tag->start;
        $group = new OldShape($tag->kind, $tag->start, substr($this->xml, $tag->start, $head), $space, $this->xml);
        ++$this->count;
        $group->children = $this->within($group->space);
        foreach ($group->children as $child) {
            $child->parent = $group;
        }
        $group->end = $this->closed->end ?? $tag->end;

        return $group;
    }

    private function single(MarkupTag $tag, Space $space): OldShape
    {
        $end = $tag;
        // Elements of its kind may stand within it.
        for ($depth = $tag->isEmpty ? 0 : 1; $depth > 0 && isset($this->tags[$this->at]); ++$this->at) {
            $end = $this->tags[$this->at];
            $depth += $end->kind !== $tag->kind || $end->isEmpty ? 0 : ($end->isEnd ? -1 : 1);
        }
        ++$this->count;

        $xml = substr($this->xml, $tag->start, $end->end - $tag->start);

        return new OldShape($tag->kind, $tag->start, $xml, $space, $this->xml);
    }
}

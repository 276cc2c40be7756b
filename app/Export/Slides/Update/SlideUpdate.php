<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Given\OldSlide;
use KeenMargin\App\Export\Slides\Part\BlockMemory;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Shape\Kept;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\ShapeWriter;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\Space;
use KeenMargin\App\Export\Slides\Shape\Tag;

/**
 * Brings one slide up to date. What came from here gets its new place and text, but for what a hand did to it; what
 * others added stays byte for byte.
 */
final class SlideUpdate
{
    /** Points by which the edges of something new may differ before it is told as changed. */
    private const SEEN = 0.5;

    /** @var array<int, array{end: int, xml: string}> what is written anew, by where it starts in the old slide */
    private array $edits = [];
    private readonly ShapeWriter $writer;
    /** @var array<string, true> blocks that something stands of on the slide, and single shapes as `block.shape` */
    private array $found = [];

    /**
     * @param string $page id of the page that the slide shows
     * @param int $number of the slide in the deck, from 1
     */
    public function __construct(
        private readonly OldSlide $slide,
        private readonly string $page,
        private readonly int $number,
        private readonly NewContent $content,
        private readonly DeckMemory $memory,
        private readonly UpdateRun $run,
    ) {
        $this->writer = $run->writer($slide->highestId);
    }

    /** @return string its XML as it is now */
    public function xml(): string
    {
        foreach ($this->slide->shapes as $shape) {
            $this->visit($shape, new Space());
        }
        $xml = $this->slide->xml;
        $new = $this->added();
        if ('' !== $new) {
            $xml = substr_replace($xml, $new, $this->slide->end, 0);
        }
        krsort($this->edits);
        foreach ($this->edits as $start => $edit) {
            $xml = substr_replace($xml, $edit['xml'], $start, $edit['end'] - $start);
        }

        return $xml;
    }

    /** @param Space $space of what it stands in */
    private function visit(OldShape $shape, Space $space): void
    {
        $block = BlockGroups::maybeBlock($shape);
        $tag = $this->tagOf($shape);
        if (null !== $block) {
            $this->found[$block] = true;
            $this->edit($shape, $this->group($shape, $block, $space));
        } elseif (null !== $tag) {
            $this->found[$tag->block] = $this->found["$tag->block.$tag->shape"] = true;
            $this->edit($shape, $this->single($shape, $tag, $space));
        } else {
            foreach ($shape->children as $child) {
                $this->visit($child, $shape->space);
            }
        }
    }

    private function edit(OldShape $shape, string $xml): void
    {
        $this->edits[$shape->start] = ['end' => $shape->end, 'xml' => $xml];
    }

    /** A block as a group. */
    private function group(OldShape $old, string $block, Space $space): string
    {
        $group = new BlockGroup($old, $block, $this->isOfPage($block) ? $this->content : null, $this->run->inks);
        $now = $group->maybeNow();
        $besides = $group->besides($space);
        if (null === $now) {
            $this->run->tell(UpdateKind::Gone, $this->number, $old->name, 'is not in the report any more');

            return $besides;
        }
        $memory = $this->memoryOf($block);
        $counts = new ChangeCounts();
        $rows = $group->rowNames();
        $kept = function (SlideShape $shape) use ($group, $memory, $counts, $rows): ?Kept {
            $was = $group->maybeOld($shape->key);
            if (null === $was) {
                $isDeleted = $memory?->has($shape->key) ?? false;
                $isDeleted ? ++$counts->deleted : ++$counts->added;

                return $isDeleted ? null : new Kept();
            }
            $hand = $group->hand($was);
            $what = trim(($rows[$shape->key] ?? '').': '.$was->name, ': ');
            $this->tellHand($what, $hand);
            $counts->take($was, $shape, $hand, self::SEEN);

            return $hand->kept($shape);
        };
        $written = $this->writer->within($space)->group($now, $block, $kept, $besides, $old->id ?: null);
        $this->tellGroup($old, $group, $counts, $now);

        return $written;
    }

    private function tellGroup(OldShape $old, BlockGroup $group, ChangeCounts $counts, ShapeGroup $now): void
    {
        $name = $now->briefly();
        if ($group->isMoved()) {
            $says = $group->isResized() ? 'stays where it is and is laid out for its frame' : 'stays where it is';
            $this->run->tell(UpdateKind::Kept, $this->number, $name, $says);
        }
        if ($counts->deleted > 0) {
            $this->run->tell(UpdateKind::Kept, $this->number, $name, $counts->deletedWords());
        }
        foreach ($group->goneRows($now) as $row) {
            $this->run->tell(UpdateKind::Gone, $this->number, $row, "in $name");
        }
        foreach ($now->nodes as $row) {
            $isNew = $row instanceof ShapeGroup && $counts->areNew($row);
            $isNew && $this->run->tell(UpdateKind::New, $this->number, $row->name, "in $name");
        }
        if ('' !== $counts->words()) {
            $this->run->tell(UpdateKind::Changed, $this->number, $name, $counts->words());
        }
    }

    /** A shape that stands by itself: a text, a rule, or one that was taken out of its group. */
    private function single(OldShape $old, Tag $tag, Space $space): string
    {
        $now = $this->isOfPage($tag->block) ? $this->content->maybeShape($tag->block, $tag->shape) : null;
        if (null === $now) {
            null === $old->placeholder()
                || $this->run->tell(UpdateKind::Gone, $this->number, $old->name, 'is not in the report any more');

            return '';
        }
        $hand = HandWork::of($old, $tag, new Space(), $this->run->inks);
        $this->tellHand($now->name, $hand);
        if ($hand->isReworded) {
            $this->tellStaleNumbers($old, $tag, $now);
        }
        $counts = new ChangeCounts();
        $counts->take($old, $now, $hand, self::SEEN);
        if (null !== $now->placeholder && '' !== $counts->words()) {
            $this->run->tell(UpdateKind::Changed, $this->number, $now->name, $counts->words());
        }

        return $this->writer->within($space)->shape($now, $tag->block, $hand->kept($now));
    }

    /** Numbers of the workings that an edited sentence still says, and that are others now. */
    private function tellStaleNumbers(OldShape $old, Tag $tag, SlideShape $now): void
    {
        $said = $this->memoryOf($tag->block)->numbers ?? [];
        $are = $now->text?->numbers() ?? [];
        $text = $old->text();
        foreach ($said as $i => $number) {
            $isSaid = 1 === preg_match('/(?<![\d.,])'.preg_quote($number, '/').'(?![\d]|[.,]\d)/u', $text);
            if ($isSaid && isset($are[$i]) && $are[$i] !== $number) {
                $says = "says “{$number}”; it is now {$are[$i]}";
                $this->run->tell(UpdateKind::Stale, $this->number, $now->name, $says);
            }
        }
    }

    private function tellHand(string $what, HandWork $hand): void
    {
        if ([] !== $hand->words()) {
            $this->run->tell(UpdateKind::Kept, $this->number, $what, implode(', ', $hand->words()));
        }
    }

    /** What the page has now and had not when the deck was written. */
    private function added(): string
    {
        $written = '';
        foreach ($this->content->slides[$this->page]->nodes ?? [] as $placed) {
            $memory = $this->memory->maybeBlock($this->page, $placed->block);
            $node = $placed->node;
            $isNew = $node instanceof SlideShape ? !($memory?->has($node->key) ?? false) : null === $memory;
            $key = $node instanceof SlideShape ? "$placed->block.$node->key" : $placed->block;
            $isThere = isset($this->found[$key]);
            if ($isNew && !$isThere) {
                $written .= $this->writer->node($node, $placed->block);
                // Rules, discs of notes and the foot go without saying.
                $isTold = $node instanceof ShapeGroup || ($node instanceof SlideShape && null !== $node->placeholder);
                $isTold && $this->run->tell(
                    UpdateKind::New,
                    $this->number,
                    $node instanceof ShapeGroup ? $node->briefly() : $node->name,
                    'is new',
                );
            }
        }

        return $written;
    }

    /** Whether a block still belongs here: it is of this page, or was brought here by hand. */
    private function isOfPage(string $block): bool
    {
        $now = $this->content->maybePageOf($block);

        return null !== $now && ($now === $this->page || null === $this->memory->maybeBlock($this->page, $block));
    }

    private function memoryOf(string $block): ?BlockMemory
    {
        return $this->memory->maybeBlock($this->page, $block) ?? $this->run->memoryOf($block);
    }

    /** Some programs give placeholders names of their own: these are known by what they are. */
    private function tagOf(OldShape $shape): ?Tag
    {
        return $shape->isOurs() ? $shape->tag : PlaceholderTags::maybe($shape, $this->page, $this->memory);
    }
}

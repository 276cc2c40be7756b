<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Given\AsItWas;
use KeenMargin\App\Export\Slides\Given\OldShape;
use KeenMargin\App\Export\Slides\Shape\Moved;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\Space;
use KeenMargin\App\Export\Slides\Shape\Tag;

/** A block on a slide that somebody gave, and how it would be written now where the hand has left it. */
final class BlockGroup
{
    private const AREA = 'area';
    /** Points by which programs round what they save. */
    private const TOLERANCE = 0.5;

    /** @var array<string, OldShape> shapes that came from here, by key */
    private array $old = [];
    /** @var list<OldShape> what others put into it */
    private array $others = [];
    private readonly Space $space;
    private readonly ?SlideFrame $moved;
    private readonly bool $isResized;

    /** @param ?NewContent $content null: the block does not belong there any more */
    public function __construct(
        OldShape $group,
        private readonly string $block,
        private readonly ?NewContent $content,
        private readonly InkForms $inks,
    ) {
        foreach ($group->children as $child) {
            $this->sort($child);
        }
        $area = $this->old[self::AREA] ?? null;
        $frame = $area?->frame;
        [$written, $room] = [$area?->tag?->frame, $area?->tag?->room];
        $isKnown = null !== $frame && null !== $written && null !== $room;
        $isThere = $isKnown && $frame->isNear($room, self::TOLERANCE);
        $this->space = $isKnown ? Space::between($written, $frame) : new Space();
        $this->moved = $isThere ? null : $frame;
        $this->isResized =
            $isKnown
            && (abs($frame->width - $room->width) > 2.0 * self::TOLERANCE
                || abs($frame->height - $room->height) > 2.0 * self::TOLERANCE);
    }

    public function isMoved(): bool
    {
        return null !== $this->moved;
    }

    public function isResized(): bool
    {
        return $this->isMoved() && $this->isResized;
    }

    /** As it would be written where it is; null where it is not in the report any more. */
    public function maybeNow(): ?ShapeGroup
    {
        $onPage = $this->content?->maybeGroup($this->block);
        if (null === $this->content || null === $onPage || null === $this->moved) {
            return $onPage;
        }
        $room = ($this->content->maybeShape($this->block, self::AREA) ?? $onPage->nodes[0])->frame();
        $drawn = $this->isResized ? $this->content->maybeDrawn($this->block, $this->moved) : null;
        $placed = $drawn ?? Moved::by($onPage, $this->moved->left - $room->left, $this->moved->top - $room->top);
        $area = $this->isResized ? $this->moved : new SlideFrame(
            $this->moved->left, $this->moved->top, $room->width, $room->height,
        );

        return Moved::withArea($placed, SlideShape::area($area, $room));
    }

    public function maybeOld(string $key): ?OldShape
    {
        return $this->old[$key] ?? null;
    }

    public function hand(OldShape $shape): HandWork
    {
        $tag = $shape->tag ?? new Tag($this->block);
        // The area tells where the whole block is.
        $tag = self::AREA === $tag->shape ? new Tag($this->block) : $tag;

        return HandWork::of($shape, $tag, $this->space, $this->inks);
    }

    /** @return array<string, string> names of the rows that shapes stand in, by key */
    public function rowNames(): array
    {
        $names = [];
        foreach ($this->old as $key => $shape) {
            $row = $shape->parent;
            $names[$key] = null !== $row && null === BlockGroups::maybeBlock($row) ? $row->name : '';
        }

        return $names;
    }

    /** @return list<string> names of the rows of which nothing is written any more */
    public function goneRows(ShapeGroup $now): array
    {
        $written = [];
        foreach (NewContent::leaves($now) as $shape) {
            $written[$shape->key] = true;
        }
        $rows = [];
        foreach ($this->rowNames() as $key => $row) {
            $rows[$row] = ($rows[$row] ?? false) || isset($written[$key]);
        }
        unset($rows['']);

        $gone = array_filter($rows, static fn (bool $isWritten): bool => !$isWritten);

        return array_map(strval(...), array_keys($gone));
    }

    /**
     * What others put into it, as it is written there, in a group of the places that it had.
     *
     * @param Space $space of what the block stands in
     */
    public function besides(Space $space): string
    {
        $written = '';
        foreach ($this->others as $other) {
            $written .= AsItWas::in($other, $space);
        }

        return $written;
    }

    private function sort(OldShape $shape): void
    {
        if ($shape->isOurs() && $shape->tag?->block === $this->block) {
            $this->old[$shape->tag->shape] ??= $shape;

            return;
        }
        $isRow = $shape->isGroup() && $this->holdsOurs($shape);
        foreach ($isRow ? $shape->children : [] as $child) {
            $this->sort($child);
        }
        $isRow || ($this->others[] = $shape);
    }

    private function holdsOurs(OldShape $group): bool
    {
        foreach ($group->all() as $one) {
            if ($one->isOurs() && $one->tag?->block === $this->block) {
                return true;
            }
        }

        return false;
    }
}

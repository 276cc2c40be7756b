<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Part\DeckLook;
use KeenMargin\App\Export\Slides\Part\SlideLayout;
use KeenMargin\App\Export\Slides\Shape\MarkShapes;
use KeenMargin\App\Export\Slides\Shape\Moved;
use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\Placed;
use KeenMargin\App\Export\Slides\Shape\Placeholder;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\TextShapes;
use KeenMargin\App\Export\Slides\Shape\WiderLetters;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Placing;

/** A page of a report as what stands on a slide, in reading order: the message, the blocks, the notes, the foot. */
final class PageSlide
{
    /** Keys of texts that belong to the page itself. */
    public const MESSAGE = 'message';
    public const NOTES = 'notes';
    private const RULES = ['margin', 'rule'];

    /**
     * @param float $scale points of the slide for a point of the page
     * @param ?DeckLook $look where a template has it; null: the page is the whole slide
     */
    public static function of(DrawnPage $page, float $scale, ?DeckLook $look = null): SlideContent
    {
        $slide = self::whole($page, $scale);
        if (null === $look) {
            return $slide;
        }
        $nodes = [];
        foreach ($slide->nodes as $placed) {
            $nodes[] = new Placed($placed->block, self::within($placed->node, $look));
        }

        return new SlideContent($slide->id, $slide->name, $nodes);
    }

    /** As a template has it: the message in its title, the first text in its body, all else where it has room. */
    private static function within(Node $node, DeckLook $look): Node
    {
        if ($node instanceof SlideShape && 'title' === $node->placeholder?->type) {
            return With::of($node, ['inherits' => true]);
        }
        $moved = Moved::by($node, $look->room->left, $look->room->top);
        if (!$moved instanceof SlideShape || null === $moved->placeholder) {
            return $moved;
        }
        $isFirst = SlideLayout::TEXT === $moved->placeholder->index;

        return With::of($moved, ['placeholder' => $isFirst ? new Placeholder('body', $look->bodyIndex) : null]);
    }

    private static function whole(DrawnPage $page, float $scale): SlideContent
    {
        $id = $page->page->id;
        $shapes = new MarkShapes(new Placing(0.0, 0.0, $scale), $scale, 'effect');
        $rules = $others = [];
        foreach (TextShapes::besides($page->frame) as $mark) {
            self::isRule($mark) ? $rules[] = $shapes->shape($mark) : $others[] = $shapes->shape($mark);
        }
        $own = static fn (SlideShape $shape): Placed => new Placed($id, $shape);
        $nodes = [
            ...array_map($own, [...self::message($page, $scale), ...$rules]),
            ...self::blocks($page, $scale),
            ...array_map($own, [...self::notes($page, $scale), ...$others]),
        ];
        $title = '' === $page->page->title ? "Page $page->number" : $page->page->title;

        return new SlideContent($id, $title, WiderLetters::fitted($nodes, $scale * $page->paper->width));
    }

    /** @return list<Placed> */
    private static function blocks(DrawnPage $page, float $scale): array
    {
        $shapes = new BlockShapes($scale, $page->paper->bottom() ?? $page->height);
        $placed = [];
        $texts = 0;
        foreach ($page->blocks as $block) {
            foreach ($shapes->of($block, $texts) as $node) {
                $placed[] = new Placed($block->block->id(), $node);
                $texts += $node instanceof SlideShape ? 1 : 0;
            }
        }

        return $placed;
    }

    /** @return list<SlideShape> */
    private static function message(DrawnPage $page, float $scale): array
    {
        $texts = $page->message->texts;

        return [] === $texts
            ? []
            : [(new TextShapes($scale))->shape(self::MESSAGE, 'Message', $texts, new Placeholder('title'))];
    }

    /** @return list<SlideShape> */
    private static function notes(DrawnPage $page, float $scale): array
    {
        $placeholder = new Placeholder('body', SlideLayout::NOTES);

        return [] === $page->noteTexts
            ? []
            : [(new TextShapes($scale))->shape(self::NOTES, 'Notes', $page->noteTexts, $placeholder)];
    }

    private static function isRule(Mark $mark): bool
    {
        return $mark instanceof Line && \in_array($mark->role, self::RULES, true);
    }
}

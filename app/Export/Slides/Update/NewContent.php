<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Update;

use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\Placed;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\SlideContent;

/** The slides as they would be written now, by what stands on them. */
final class NewContent
{
    /** @var array<string, SlideContent> by page */
    public readonly array $slides;
    /** @var array<string, string> page by block; a page is a block of its own */
    private array $pages = [];
    /** @var array<string, ShapeGroup> by block */
    private array $groups = [];
    /** @var array<string, array<string, SlideShape>> by block and key */
    private array $shapes = [];

    /**
     * @param list<SlideContent> $slides
     * @param \Closure(string, SlideFrame): ?ShapeGroup $draw draws a block for its own frame, in points of the slide
     */
    public function __construct(array $slides, private readonly \Closure $draw)
    {
        $byPage = [];
        foreach ($slides as $slide) {
            $byPage[$slide->id] = $slide;
            $this->pages[$slide->id] = $slide->id;
            foreach ($slide->nodes as $placed) {
                $this->take($placed, $slide->id);
            }
        }
        $this->slides = $byPage;
    }

    /** Id of the page that a block stands on now; null: on none. */
    public function maybePageOf(string $block): ?string
    {
        return $this->pages[$block] ?? null;
    }

    public function maybeGroup(string $block): ?ShapeGroup
    {
        return $this->groups[$block] ?? null;
    }

    public function maybeShape(string $block, string $key): ?SlideShape
    {
        return $this->shapes[$block][$key] ?? null;
    }

    /** Laid out anew; null where it is nothing that can be. */
    public function maybeDrawn(string $block, SlideFrame $frame): ?ShapeGroup
    {
        return ($this->draw)($block, $frame);
    }

    private function take(Placed $placed, string $page): void
    {
        $this->pages[$placed->block] = $page;
        if ($placed->node instanceof ShapeGroup) {
            $this->groups[$placed->block] = $placed->node;
        }
        foreach (self::leaves($placed->node) as $shape) {
            $this->shapes[$placed->block][$shape->key] = $shape;
        }
    }

    /** @return \Generator<int, SlideShape> */
    public static function leaves(Node $node): \Generator
    {
        if ($node instanceof ShapeGroup) {
            foreach ($node->nodes as $one) {
                yield from self::leaves($one);
            }
        } elseif ($node instanceof SlideShape) {
            yield $node;
        }
    }
}

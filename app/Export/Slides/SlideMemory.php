<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Part\BlockMemory;
use KeenMargin\App\Export\Slides\Part\DeckMemory;
use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\ShapeWriter;
use KeenMargin\App\Export\Slides\Shape\SlideShape;

/** Tells a deck's memory what is written on a slide. */
final class SlideMemory
{
    public static function take(SlideContent $slide, DeckMemory $memory): void
    {
        $memory->block($slide->id, $slide->id);
        foreach ($slide->nodes as $placed) {
            self::node($placed->node, $placed->block, $memory->block($slide->id, $placed->block));
        }
    }

    private static function node(Node $node, string $block, BlockMemory $memory): void
    {
        if ($node instanceof ShapeGroup) {
            foreach ($node->nodes as $one) {
                self::node($one, $block, $memory);
            }
        } elseif ($node instanceof SlideShape && null !== $node->placeholder) {
            // Programs give placeholders names of their own.
            $memory->tags[$node->key] = ShapeWriter::tag($node, $block)->written();
            array_push($memory->numbers, ...$node->text?->numbers() ?? []);
        } elseif ($node instanceof SlideShape) {
            $memory->take($node->key);
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Part\SlideLayout;
use KeenMargin\App\Export\Slides\Shape\MarkShapes;
use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\Placeholder;
use KeenMargin\App\Export\Slides\Shape\RowName;
use KeenMargin\App\Export\Slides\Shape\SceneShapes;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\Shape\SlideShape;
use KeenMargin\App\Export\Slides\Shape\TextShapes;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Scene\TextMeasure;
use KeenMargin\Core\Workings\Words\RowWords;

/** A block of a page as shapes: a chart and key figures as a group, texts as placeholders. */
final readonly class BlockShapes
{
    /** Points below the bottom of the page at which it is told that there is more. */
    private const BELOW = 9.0;

    /**
     * @param float $scale points of the slide for a point of the page
     * @param float $bottom of the page, below which nothing of a block stands
     */
    public function __construct(private float $scale, private float $bottom) {}

    /**
     * @param int $texts how many texts are on the slide already
     *
     * @return list<Node> from back to front; none of an empty block
     */
    public function of(PlacedBlock $block, int $texts = 0): array
    {
        $drawing = $block->drawing;
        $nodes = null === $drawing ? [] : $this->marks($drawing, $block);
        $own = new MarkShapes(new Placing(0.0, 0.0, $this->scale), $this->scale, 'effect');
        array_push($nodes, ...SceneShapes::of(TextShapes::besides($block->marks), $own, []));
        $isText = $block->block instanceof TextBlock;
        $shapes = new TextShapes($this->scale);
        foreach ($block->texts as $i => $text) {
            $placeholder = $isText ? new Placeholder('body', SlideLayout::TEXT + $texts + $i) : null;
            $nodes[] = $shapes->shape("text$i", 'Text', [$text], $placeholder);
        }
        // A placeholder is never part of a group.
        if ($isText || [] === $nodes) {
            return $nodes;
        }
        $room = (new SlideFrame($block->left, $block->top, $block->width, $block->height))->scaled($this->scale);

        return [new ShapeGroup(
            key: '',
            name: $drawing->scene->title ?? ($block->block instanceof FiguresBlock ? 'Key figures' : 'Chart'),
            words: $drawing->scene->description ?? '',
            nodes: [SlideShape::area($room, $room), ...$nodes],
            brief: $drawing->workings->context->subject ?? '',
        )];
    }

    /**
     * The marks of a chart, row by row.
     *
     * @param iterable<Mark> $marks
     *
     * @return list<Node>
     */
    public static function chart(Drawing $drawing, iterable $marks, MarkShapes $shapes): array
    {
        $words = new RowWords($drawing->workings);
        $names = [];
        foreach ($drawing->workings->table->rows as $row) {
            $names[$row->key->id] = new RowName($words->brief($row), $words->whole($row));
        }

        return SceneShapes::of($marks, $shapes, $names);
    }

    /** @return list<Node> without what stands below the page's bottom; that there is more is told below */
    private function marks(Drawing $drawing, PlacedBlock $block): array
    {
        $bottom = $this->bottom - $block->top;
        $seen = $rows = [];
        foreach ($drawing->scene->marks() as $mark) {
            if ($block->scale * MarkBox::of($mark)->bottom <= $bottom + 1.0) {
                $seen[] = $mark;
                $rows[SceneShapes::rowOf($mark) ?? ''] = true;
            }
        }
        $scale = $this->scale * $block->scale;
        $placing = new Placing($this->scale * $block->left, $this->scale * $block->top, $scale);
        $shapes = new MarkShapes($placing, $scale, $drawing->scene->colours);
        $nodes = self::chart($drawing, $seen, $shapes);
        $keys = array_fill_keys($drawing->workings->table->keys(), true);
        $missing = \count(array_diff_key($keys, $rows));
        if ($missing > 0 && $bottom < $block->scale * $drawing->scene->height) {
            $says = Wording::count($missing, 'more row has', 'more rows have').' no room on this page';
            $nodes[] = $shapes->shape(self::small($says, ($bottom + self::BELOW) / $block->scale));
        }

        return $nodes;
    }

    private static function small(string $text, float $y): Text
    {
        $width = TextMeasure::width($text, Type::SMALL);

        return new Text(
            x: 2.0, y: $y, text: $text, size: Type::SMALL, fill: Ink::Quiet->value, width: $width, role: 'more',
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides;

use KeenMargin\App\Export\Slides\Part\SlideLayout;
use KeenMargin\App\Export\Slides\Shape\Frame;
use KeenMargin\App\Export\Slides\Shape\MarkShapes;
use KeenMargin\App\Export\Slides\Shape\Node;
use KeenMargin\App\Export\Slides\Shape\Placed;
use KeenMargin\App\Export\Slides\Shape\Placeholder;
use KeenMargin\App\Export\Slides\Shape\RowName;
use KeenMargin\App\Export\Slides\Shape\SceneShapes;
use KeenMargin\App\Export\Slides\Shape\Shape;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\TextShapes;
use KeenMargin\App\Export\Slides\Shape\WiderLetters;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Placing;
use KeenMargin\Core\Workings\Words\RowNames;

/** A page of a report as what stands on a slide, in reading order: the message, the blocks, the notes, the foot. */
final class PageSlide
{
    /** Keys of what belongs to the page itself. */
    public const MESSAGE = 'message';
    public const NOTES = 'notes';
    private const FRAME = ['margin', 'rule'];

    /** @var list<Placed> in reading order */
    private array $nodes = [];
    private int $texts = 0;

    private function __construct(private readonly DrawnPage $page, private readonly float $scale)
    {
    }

    /** @param float $scale points of the slide for a point of the page */
    public static function of(DrawnPage $page, float $scale): SlideContent
    {
        $own = new self($page, $scale);
        $texts = new TextShapes($scale);
        $id = $page->page->id;
        $frame = new MarkShapes(new Placing(0.0, 0.0, $scale), $scale, 'effect');
        [] === $page->message->texts || $own->put(
            $id,
            $texts->shape(self::MESSAGE, 'Message', $page->message->texts, new Placeholder('title')),
        );
        $marks = TextShapes::besides($page->frame);
        foreach ($marks as $mark) {
            self::isRule($mark) && $own->put($id, $frame->shape($mark));
        }
        foreach ($page->blocks as $block) {
            $own->block($block, $texts);
        }[] === $page->noteTexts || $own->put(
            $id,
            $texts->shape(
                self::NOTES,
                'Notes',
                $page->noteTexts,
                new Placeholder('body', SlideLayout::NOTES),
            ),
        );
        foreach ($marks as $mark) {
            self::isRule($mark) || $own->put($id, $frame->shape($mark));
        }

        $title = $page->page->title;

        $nodes = WiderLetters::fitted($own->nodes, $scale * $page->paper->width);

        return new SlideContent($id, '' === $title ? "Page $page->number" : $title, $nodes);
    }

    private function block(PlacedBlock $block, TextShapes $texts): void
    {
        $id = $block->block->id();
        $drawing = $block->drawing;
        $nodes = [];
        if (null !== $drawing) {
            $scale = $this->scale * $block->scale;
            $placing = new Placing($this->scale * $block->left, $this->scale * $block->top, $scale);
            $marks = $this->seen($drawing->scene->marks(), $block);
            $nodes = self::chart($drawing, $marks, new MarkShapes($placing, $scale, $drawing->scene->colours));
        }
        $own = new MarkShapes(new Placing(0.0, 0.0, $this->scale), $this->scale, 'effect');
        array_push($nodes, ...SceneShapes::of(TextShapes::besides($block->marks), $own, []));
        $isText = $block->block instanceof TextBlock;
        foreach ($block->texts as $i => $text) {
            $placeholder = $isText ? new Placeholder('body', SlideLayout::TEXT + $this->texts++) : null;
            $shape = $texts->shape("text$i", 'Text', [$text], $placeholder);
            // A placeholder is never part of a group.
            $isText ? $this->put($id, $shape) : $nodes[] = $shape;
        }
        if ([] !== $nodes) {
            $room = (new Frame($block->left, $block->top, $block->width, $block->height))->scaled($this->scale);
            $this->put($id, new ShapeGroup(
                key: '',
                name: $drawing->scene->title ?? ($block->block instanceof FiguresBlock ? 'Key figures' : 'Chart'),
                words: $drawing->scene->description ?? '',
                nodes: [Shape::area($room, $room), ...$nodes],
            ));
        }
    }

    /**
     * Nothing of a page that is too full stands over its foot.
     *
     * @param iterable<Mark> $marks
     *
     * @return \Generator<int, Mark>
     */
    private function seen(iterable $marks, PlacedBlock $block): \Generator
    {
        $bottom = ($this->page->paper->bottom() ?? $this->page->height) - $block->top;
        foreach ($marks as $mark) {
            if ($block->scale * MarkBox::of($mark)->bottom <= $bottom + 1.0) {
                yield $mark;
            }
        }
    }

    private function put(string $block, Node $node): void
    {
        $this->nodes[] = new Placed($block, $node);
    }

    private static function isRule(Mark $mark): bool
    {
        return $mark instanceof Line && \in_array($mark->role, self::FRAME, true);
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
        $words = new RowNames($drawing->workings);
        $names = [];
        foreach ($drawing->workings->table->rows as $row) {
            $names[$row->key->id] = new RowName($words->brief($row), $words->whole($row));
        }

        return SceneShapes::of($marks, $shapes, $names);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\BlockShapes;
use KeenMargin\App\Export\Slides\Deck;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\PageSlide;
use KeenMargin\App\Export\Slides\Shape\Frame;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Update\DeckUpdate;
use KeenMargin\App\Export\Slides\Update\NewContent;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\BlockInFrame;
use KeenMargin\Core\Report\Layout\ReportPages;

/** A whole report as slides, a page a slide: shapes and texts that can be edited where they land. */
final readonly class ReportSlides implements ReportRenderer
{
    public const MEDIA_TYPE = 'application/vnd.openxmlformats-officedocument.presentationml.presentation';

    public function format(): string
    {
        return 'pptx';
    }

    public function mediaType(): string
    {
        return self::MEDIA_TYPE;
    }

    public function render(ReportPages $pages, \DateTimeImmutable $made, Origin $origin): string
    {
        $report = $pages->report();
        $deck = new Deck($report, $made);
        $speech = new PageSpeech($pages->drawing, $origin);
        foreach ($pages->all() as $page) {
            $deck->add(PageSlide::of($page, $report->sheet->printed()), $speech->of($page));
        }

        return $deck->bytes();
    }

    /**
     * Brings a deck that was made of the report to its state of now, without undoing what was done to it by hand.
     *
     * @param string $path of the deck, which is not changed
     *
     * @throws DeckRefused where it is none that was made of this report
     */
    public function update(string $path, ReportPages $pages, Origin $origin): DeckUpdate
    {
        $drawing = $pages->drawing;
        $scale = $pages->report()->sheet->printed();
        $speech = new PageSpeech($drawing, $origin);
        $slides = $speeches = [];
        foreach ($pages->all() as $page) {
            $slides[] = PageSlide::of($page, $scale);
            $speeches[$page->page->id] = $speech->of($page);
        }
        $draw = static fn (string $id, Frame $frame): ?ShapeGroup => self::maybeDrawn($drawing, $id, $frame, $scale);

        return new DeckUpdate($path, new NewContent($slides, $draw), $speeches);
    }

    /** A block laid out for a frame of its own; null where there is none, or it is a text. */
    private static function maybeDrawn(ReportDrawing $drawing, string $id, Frame $frame, float $scale): ?ShapeGroup
    {
        $onPage = $frame->scaled(1.0 / $scale);
        foreach ($drawing->report->pages as $page) {
            $block = $page->maybeBlock($id);
            if (null === $block) {
                continue;
            }
            $placed = BlockInFrame::placed(
                drawing: $drawing,
                page: $page,
                block: $block,
                left: $onPage->left,
                top: $onPage->top,
                width: $onPage->width,
                height: $onPage->height,
            );
            $node = (new BlockShapes($scale, \INF))->of($placed)[0] ?? null;

            return $node instanceof ShapeGroup ? $node : null;
        }

        return null;
    }
}

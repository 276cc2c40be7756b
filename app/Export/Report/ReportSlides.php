<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\BlockShapes;
use KeenMargin\App\Export\Slides\Deck;
use KeenMargin\App\Export\Slides\Package\DeckRefused;
use KeenMargin\App\Export\Slides\PageSlide;
use KeenMargin\App\Export\Slides\Part\DeckLook;
use KeenMargin\App\Export\Slides\Shape\ShapeGroup;
use KeenMargin\App\Export\Slides\Shape\SlideFrame;
use KeenMargin\App\Export\Slides\SlideWriter;
use KeenMargin\App\Export\Slides\Template\TemplateDeck;
use KeenMargin\App\Export\Slides\Template\TemplateSource;
use KeenMargin\App\Export\Slides\Update\DeckUpdate;
use KeenMargin\App\Export\Slides\Update\NewContent;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\BlockInFrame;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;

/** A whole report as slides, a page a slide: shapes and texts that can be edited where they land. */
final readonly class ReportSlides implements ReportRenderer
{
    public const MEDIA_TYPE = 'application/vnd.openxmlformats-officedocument.presentationml.presentation';

    /** @param ?TemplateSource $templates that slides are made in; null: none */
    public function __construct(private ?TemplateSource $templates = null) {}

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
        $template = $this->templates?->maybe();
        $deck = null === $template ? new Deck($pages->report(), $made) : new TemplateDeck($template);

        return $this->written($pages, $origin, $deck, $template?->look());
    }

    private function written(ReportPages $pages, Origin $origin, SlideWriter $deck, ?DeckLook $look): string
    {
        $speech = new PageSpeech($pages->drawing, $origin);
        foreach (FittedPage::all($pages, $look) as $fitted) {
            $deck->add(PageSlide::of($fitted->page, $fitted->scale, $look), $speech->of($fitted->page));
        }
        foreach ($pages->report()->pages as $page) {
            \in_array($page, $pages->wanted(), true) || $deck->leaveOut($page->id);
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
        $update = new DeckUpdate($path);
        $look = $update->maybeLook();
        $speech = new PageSpeech($drawing, $origin);
        $slides = $speeches = $scales = [];
        foreach (FittedPage::all($pages, $look) as $id => $fitted) {
            $slides[] = PageSlide::of($fitted->page, $fitted->scale, $look);
            $speeches[$id] = $speech->of($fitted->page);
            $scales[$id] = $fitted->scale;
        }
        $draw = static fn (string $id, SlideFrame $frame): ?ShapeGroup => self::maybeDrawn(
            $drawing, $id, $frame, $scales,
        );

        return $update->to(new NewContent($slides, $draw), $speeches);
    }

    /**
     * A block laid out for a frame of its own; null where there is none, or it is a text.
     *
     * @param array<string, float> $scales points of the slide for a point of the page, by page
     */
    private static function maybeDrawn(
        ReportDrawing $drawing,
        string $id,
        SlideFrame $frame,
        array $scales,
    ): ?ShapeGroup {
        foreach ($drawing->report->pages as $page) {
            $block = $page->maybeBlock($id);
            if (null === $block) {
                continue;
            }
            $scale = $scales[$page->id] ?? 1.0;
            $onPage = $frame->scaled(1.0 / $scale);
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

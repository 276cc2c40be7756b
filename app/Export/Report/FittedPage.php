<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\Part\DeckLook;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;

/** A page as large as a slide has room for it. */
final readonly class FittedPage
{
    /** How much smaller a page may be made until all of it has room; text would be too small below. */
    private const SCALES = [1.0, 0.88, 0.78, 0.68];

    /** @param float $scale points of the slide for a point of the page */
    private function __construct(public DrawnPage $page, public float $scale) {}

    /**
     * @param ?DeckLook $look of a template: where it has room; null: the slide is the report's own sheet
     *
     * @return \Generator<string, self> by page
     */
    public static function all(ReportPages $pages, ?DeckLook $look): \Generator
    {
        foreach ($pages->wanted() as $page) {
            yield $page->id => null === $look
                ? new self($pages->page($page), $pages->report()->sheet->printed())
                : self::within($pages, $page, $look);
        }
    }

    private static function within(ReportPages $pages, Page $page, DeckLook $look): self
    {
        $hasNotes = $pages->hasNotes($page);
        foreach (self::SCALES as $scale) {
            $paper = Paper::within($look->room->width / $scale, $look->room->height / $scale, $hasNotes);
            $fitted = new self($pages->page($page, $paper), $scale);
            if (null === $fitted->page->maybeOver()) {
                break;
            }
        }

        return $fitted;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Picture\PdfSurface;
use KeenMargin\Core\Report\Layout\ReportPages;

/** A whole report as PDF, a page a sheet: vectors, the fonts inside, real text, bookmarks. */
final readonly class ReportPdf implements ReportRenderer
{
    public const MEDIA_TYPE = 'application/pdf';

    /** @param string $fonts folder of the shipped fonts */
    public function __construct(private string $fonts) {}

    public function format(): string
    {
        return 'pdf';
    }

    public function mediaType(): string
    {
        return self::MEDIA_TYPE;
    }

    public function render(ReportPages $pages, \DateTimeImmutable $made, Origin $origin): string
    {
        $report = $pages->report();
        $canvas = new PdfSurface($report->title, $report->organisation, $this->fonts.'/pdf');
        $canvas->at($made, $report->title.$made->format(\DateTimeInterface::ATOM));
        $sheet = $report->sheet;
        foreach ($pages->all() as $page) {
            $canvas->page($sheet->width(), $sheet->height(), $sheet->printed());
            $canvas->bookmark('' === $page->page->title ? "Page $page->number" : $page->page->title);
            $scenes = $page->scenes();
            $canvas->paint($scenes[0]);
            foreach (\array_slice($scenes, 1) as $block) {
                // Nothing of a page that is too full stands over its foot.
                $canvas->within(0.0, $page->paper->bottom() ?? $page->height, $block);
            }
        }

        return $canvas->bytes();
    }
}

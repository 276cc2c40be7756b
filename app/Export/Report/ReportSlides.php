<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

use KeenMargin\App\Export\Slides\Deck;
use KeenMargin\App\Export\Slides\PageSlide;
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
}

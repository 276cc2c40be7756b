<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\ScaleOver;

/** The pages of a report, drawn one by one, with what they have in common: the foot, and a scale over all of them. */
final class ReportPages
{
    private const MOMENT = 'j M Y, H:i';

    private ?PageScale $scale = null;
    /** @var array<string, PageLayout> laid out for the scale of the report, and not drawn yet, by page */
    private array $laid = [];
    private readonly Foot $foot;

    /**
     * @param ?\DateTimeImmutable $made moment that stands at the foot; null: none
     * @param ?Page $only the one that is wanted; null: all
     */
    public function __construct(
        public readonly ReportDrawing $drawing,
        ?\DateTimeImmutable $made = null,
        private readonly ?Page $only = null,
    ) {
        $report = $drawing->report;
        $this->foot = new Foot(
            implode(' · ', array_filter([$report->organisation, $report->title])),
            $drawing->closingLabel(),
            $made?->format(self::MOMENT) ?? '',
        );
    }

    public function report(): Report
    {
        return $this->drawing->report;
    }

    /** @param ?Paper $paper null: the report's own sheet */
    public function page(Page $page, ?Paper $paper = null): DrawnPage
    {
        $over = ScaleOver::Report === $this->report()->scaleOf($page) ? $this->scale() : null;
        $laid = null === $paper ? $this->laid[$page->id] ?? null : null;
        if (null !== $laid) {
            unset($this->laid[$page->id]);
        }

        return ($laid ?? $this->laidOut($page, $paper))->drawn($this->foot, $over);
    }

    /** @return \Generator<int, DrawnPage> on the report's own sheet */
    public function all(): \Generator
    {
        foreach ($this->wanted() as $page) {
            yield $this->page($page);
        }
    }

    /** @return list<Page> */
    public function wanted(): array
    {
        return null === $this->only ? $this->report()->pages : [$this->only];
    }

    /** Whether notes stand beside a page. */
    public function hasNotes(Page $page): bool
    {
        return [] !== PageNotes::of($this->drawing, $page)->list;
    }

    /** Of all pages that are on the scale of the report. */
    private function scale(): PageScale
    {
        if (null === $this->scale) {
            $this->scale = new PageScale();
            foreach ($this->report()->pages as $page) {
                if (ScaleOver::Report === $this->report()->scaleOf($page)) {
                    $this->laid[$page->id] = $this->laidOut($page, null);
                    $this->scale = $this->scale->with($this->laid[$page->id]->ownScale());
                }
            }
        }

        return $this->scale;
    }

    private function laidOut(Page $page, ?Paper $paper): PageLayout
    {
        return PageLayout::of($this->drawing, $page, $paper ?? Paper::sheet($this->report()->sheet));
    }
}

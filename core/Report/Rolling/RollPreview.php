<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Rolling;

use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\PageNote;
use KeenMargin\Core\Report\Layout\PageNotes;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Settling\FindingKind;
use KeenMargin\Core\Report\Settling\ReportFinding;
use KeenMargin\Core\Report\Settling\ReportFindings;

/** What a report would say once its closing period has moved. */
final class RollPreview
{
    /**
     * @param ReportDrawing $before as it is
     * @param ReportDrawing $after with the closing period moved
     * @param list<string> $known keys of what has to be settled as it is
     * @param callable(int, int): void $tell how many pages of how many have been looked at
     *
     * @return list<RolledPage>
     */
    public static function of(ReportDrawing $before, ReportDrawing $after, array $known, callable $tell): array
    {
        $found = ReportFindings::of($after, $tell)->findings;
        $pages = [];
        foreach ($after->report->pages as $page) {
            $new = array_values(array_filter(
                $found,
                static fn (ReportFinding $one): bool => $one->page === $page->id
                    && FindingKind::Stale !== $one->kind
                    && !\in_array($one->key(), $known, true),
            ));
            $pages[] = new RolledPage(
                $page,
                self::numbers($page, $before, $after),
                self::behind(PageNotes::of($before, $page), PageNotes::of($after, $page)),
                array_values(array_unique(array_map(static fn (ReportFinding $one): string => $one->says, $new))),
            );
        }

        return $pages;
    }

    /** @return list<RolledNumber> */
    private static function numbers(Page $page, ReportDrawing $before, ReportDrawing $after): array
    {
        $numbers = [];
        foreach ($page->texts() as $block => $text) {
            foreach ($text->numbers() as $number) {
                $was = $before->number($number)->shown();
                $now = $after->number($number);
                if ($now->now !== $was) {
                    $numbers[] = new RolledNumber((string) $block, $was, $now->now, $number->follows, $now->says);
                }
            }
        }

        return $numbers;
    }

    /** @return list<string> notes that stand on the page now and will not, as their month is not on it any more */
    private static function behind(PageNotes $before, PageNotes $after): array
    {
        $stay = array_map(static fn (PageNote $note): int => $note->id, $after->list);

        return array_values(array_map(
            static fn (PageNote $note): string => $note->text,
            array_filter($before->list, static fn (PageNote $note): bool => !\in_array($note->id, $stay, true)),
        ));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Document\PartReader;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Report\Acceptance;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\ScaleOver;
use KeenMargin\Core\Report\Sheet;
use KeenMargin\Core\Time\FiscalCalendar;

/**
 * Reads a report from JSON; refuses, with its path, whatever is not known. Recipes are only held against their
 * datasets when they are drawn: a dataset may be missing.
 */
final class ReportReader
{
    private const KEYS = [
        'keenMargin', 'report', 'organisation', 'sheet', 'about', 'scale', 'closedThrough', 'pages', 'accepted',
    ];
    private const MOST_ACCEPTED = 500;

    /**
     * A report that comes in: it has no more charts than can be drawn. What is kept already opens whatever it has.
     *
     * @param list<string> $besides keys that somebody else reads
     *
     * @throws NotAccepted
     */
    public static function incoming(Given $given, array $besides = []): Report
    {
        $report = self::read($given, $besides);
        $charts = array_sum(array_map(static fn (Page $page): int => $page->charts(), $report->pages));
        Report::insistOnDrawable($charts, ($given->maybe('pages') ?? $given)->path);

        return $report;
    }

    /**
     * @param list<string> $besides keys that somebody else reads
     *
     * @throws NotAccepted
     */
    public static function read(Given $given, array $besides = []): Report
    {
        $given->object([...self::KEYS, ...$besides]);
        $given->must('keenMargin')->int(Recipe::VERSION, Recipe::VERSION);
        $ids = new Ids();

        return new Report(
            title: trim($given->must('report')->string()),
            sheet: $given->maybe('sheet')?->enum(Sheet::class) ?? Sheet::Across,
            about: AboutReader::read($given->maybe('about')),
            scale: $given->maybe('scale')?->enum(ScaleOver::class) ?? ScaleOver::Page,
            closedThrough: PartReader::maybePeriod($given->maybe('closedThrough'), new FiscalCalendar()),
            organisation: trim($given->maybe('organisation')?->text(200) ?? ''),
            pages: self::pages($given->maybe('pages'), $ids),
            accepted: self::accepted($given->maybe('accepted')),
        );
    }

    /**
     * @return list<Page>
     *
     * @throws NotAccepted
     */
    private static function pages(?Given $given, Ids $ids): array
    {
        $list = $given?->list() ?? [];
        if (null !== $given && \count($list) > Report::MOST_PAGES) {
            throw new NotAccepted($given->path, 'A report has '.Report::MOST_PAGES.' pages at most. Make two of it.');
        }

        return array_map(static fn (Given $page): Page => self::page($page, $ids), $list);
    }

    /** @throws NotAccepted */
    private static function page(Given $given, Ids $ids): Page
    {
        $given->object(['id', 'title', 'message', 'about', 'scale', 'rows']);
        $rows = $given->maybe('rows')?->list() ?? [];
        if (\count($rows) > Page::MOST_ROWS) {
            throw new NotAccepted("$given->path.rows", 'A page has '.Page::MOST_ROWS.' rows at most.');
        }

        return new Page(
            id: $ids->of($given, 'p'),
            title: trim($given->maybe('title')?->text(200) ?? ''),
            message: LiveTextReader::read($given->maybe('message'), LiveTextReader::MESSAGE),
            about: AboutReader::read($given->maybe('about')),
            scale: $given->maybe('scale')?->enum(ScaleOver::class),
            rows: array_map(static fn (Given $row): PageRow => self::row($row, $ids), $rows),
        );
    }

    /** @throws NotAccepted */
    private static function row(Given $given, Ids $ids): PageRow
    {
        $given->object(['id', 'blocks']);
        $id = $ids->of($given, 'r');
        $blocks = $given->maybe('blocks')?->list() ?? [];
        if (\count($blocks) > PageRow::MOST_BLOCKS) {
            throw new NotAccepted(
                "$given->path.blocks",
                'A row has '.PageRow::MOST_BLOCKS.' blocks at most. Put the others into a row of their own.',
            );
        }

        return new PageRow($id, array_map(static fn (Given $block) => BlockReader::read($block, $ids), $blocks));
    }

    /**
     * @return list<Acceptance>
     *
     * @throws NotAccepted
     */
    private static function accepted(?Given $given): array
    {
        $list = $given?->list() ?? [];
        if (null !== $given && \count($list) > self::MOST_ACCEPTED) {
            throw new NotAccepted($given->path, 'More is accepted than a report can have to settle.');
        }

        return array_map(
            static fn (Given $one): Acceptance => new Acceptance(
                $one->object(['finding', 'reason', 'who', 'at'])->must('finding')->string(400),
                trim($one->must('reason')->string(400)),
                $one->maybe('who')?->text(100) ?? '',
                $one->maybe('at')?->text(40) ?? '',
            ),
            $list,
        );
    }
}

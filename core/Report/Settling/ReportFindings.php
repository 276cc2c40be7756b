<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Settling;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Result\Check;

/** Looks through a whole report for what has to be settled before it goes out. */
final class ReportFindings
{
    /** @var list<ReportFinding> */
    private array $found = [];
    private int $charts = 0;
    private int $failing = 0;
    private int $scales = 0;

    private function __construct(private readonly ReportDrawing $drawing) {}

    /** @param callable(int, int): void $tell how many pages of how many have been looked at */
    public static function of(ReportDrawing $drawing, callable $tell): Settlement
    {
        $findings = new self($drawing);
        $pages = new ReportPages($drawing);
        $count = \count($drawing->report->pages);
        foreach ($drawing->report->pages as $i => $page) {
            $tell($i, $count);
            $findings->page($pages->page($page));
        }
        $findings->closings();

        return new Settlement($findings->found, $findings->holds());
    }

    private function page(DrawnPage $drawn): void
    {
        $page = $drawn->page;
        $this->numbers($page);
        if ([] === $drawn->blocks) {
            $this->add(FindingKind::Empty, $page, '', 'Nothing stands on this page yet.');
        }
        foreach ($drawn->blocks as $block) {
            $this->block($page, $block);
        }
        $this->missing($page);
        $over = $drawn->maybeOver();
        if (null !== $over) {
            $this->add(FindingKind::Full, $page, '', "This page is too full, by $over.");
        }
        foreach ($drawn->checks as $check) {
            $check->holds ? ++$this->scales : $this->check($page, '', $check);
        }
    }

    private function block(Page $page, PlacedBlock $placed): void
    {
        $block = $placed->block;
        if ($block->isEmpty()) {
            $this->add(FindingKind::Empty, $page, $block->id(), 'Nothing stands in this block yet.');
        }
        if (null !== $placed->trouble) {
            $this->add(FindingKind::Trouble, $page, $block->id(), "A chart cannot be drawn. $placed->trouble");
        }
        foreach ($block instanceof FiguresBlock ? $block->figures : [] as $figure) {
            try {
                $this->drawing->workings($figure->id);
            } catch (NotAccepted $e) {
                $this->add(FindingKind::Trouble, $page, $block->id(), "A key figure has no number. $e->reason");
            }
        }
        if (null !== $placed->drawing) {
            ++$this->charts;
            $subject = $placed->drawing->workings->context->subject;
            foreach ($placed->drawing->checks() as $check) {
                $check->holds || $this->check($page, $block->id(), $check, "$subject: ");
            }
        }
    }

    /** @param string $of what begins the sentence: which chart it is about */
    private function check(Page $page, string $block, Check $check, string $of = ''): void
    {
        ++$this->failing;
        $this->add(FindingKind::Check, $page, $block, "$of$check->says.");
    }

    private function numbers(Page $page): void
    {
        foreach ($page->texts() as $block => $text) {
            foreach ($text->numbers() as $place => $number) {
                $now = $this->drawing->number($number);
                if ($now->isStale()) {
                    $where = '' === $block ? 'The message' : 'A text';
                    $this->found[] = new ReportFinding(
                        kind: FindingKind::Stale,
                        page: $page->id,
                        block: (string) $block,
                        says: null === $now->now
                            ? "$where says $number->said; $now->says"
                            : "$where says $number->said; it is now $now->now.",
                        number: $place,
                        now: $now->now,
                        exact: $now->exact,
                    );
                }
            }
        }
    }

    /** Datasets of the page that have no actuals of their closing period. */
    private function missing(Page $page): void
    {
        foreach ($this->drawing->closings($page) as $key => $closing) {
            try {
                $dataset = $this->drawing->library()->figures((string) $key)->dataset();
            } catch (NotAccepted) {
                continue;
            }
            $last = self::lastActual($dataset);
            if (null !== $last && $last->lastDay() < $closing->firstDay()) {
                $this->add(
                    FindingKind::Missing,
                    $page,
                    '',
                    "$dataset->name has no actuals after ".PeriodNames::full($last).'.',
                );
            }
        }
    }

    private static function lastActual(Dataset $dataset): ?Period
    {
        return $dataset->coverage->last(Scenario::Actual);
    }

    private function closings(): void
    {
        $named = [];
        foreach ($this->drawing->closings() as $closing) {
            $named[PeriodNames::full($closing)] = true;
        }
        if (\count($named) > 1) {
            $this->found[] = new ReportFinding(
                FindingKind::Closing,
                '',
                '',
                'Its figures are closed through different periods: '.Wording::and(array_keys($named)).'.',
            );
        }
    }

    private function add(FindingKind $kind, Page $page, string $block, string $says): void
    {
        $this->found[] = new ReportFinding($kind, $page->id, $block, $says);
    }

    /** @return list<string> what was looked at and holds */
    private function holds(): array
    {
        return array_values(
            array_filter([
                $this->charts > 0 && 0 === $this->failing
                    ? Wording::count($this->charts, 'chart', 'charts').', every check holds'
                    : '',
                $this->scales > 0 ? 'One scale for all that counts the same' : '',
            ]),
        );
    }
}

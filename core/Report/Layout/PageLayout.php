<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\ScaleOver;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Scene\Line;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Workings\Result\Check;

/**
 * Lays a page out: its message, rows of blocks from top to bottom, notes in the margin. Charts are made lower or higher
 * so that they fill the page, and put on one scale.
 */
final class PageLayout
{
    private const TOP = 16.0;
    private const BELOW_MESSAGE = 9.0;
    private const BELOW_RULE = 12.0;
    private const ROW_GAP = 16.0;
    private const BLOCK_GAP = 22.0;
    /** So much higher than by themselves charts may become where there is room. */
    private const MOST_GROWTH = 1.35;
    private const NARROWEST_CHART = 140.0;
    private const LEAST_FACTOR = 0.1;
    private const TRIES = 4;
    /** A factor this close to 1 changes nothing. */
    private const CLOSE = 0.01;
    /** Points that are left free, as heights of charts come in steps. */
    private const SLACK = 6.0;

    /** @var list<PageNote> */
    private array $notes = [];
    /** @var list<RowDraft> */
    private array $rows = [];
    private LaidText $message;
    /** Where the rule below the message is. */
    private float $rule;

    private function __construct(
        private readonly ReportDrawing $drawing,
        private readonly Page $page,
        private readonly Paper $paper,
    ) {
        [$this->message, $this->rule] = $this->message();
        $this->draft();
    }

    /** Rows and heights of a page, from measures of its parts: nothing is drawn yet. */
    public static function of(ReportDrawing $drawing, Page $page, Paper $paper): self
    {
        return new self($drawing, $page, $paper);
    }

    /** How long units are where each chart is drawn by itself. */
    public function ownScale(): PageScale
    {
        return PageScale::of($this->drafts());
    }

    /** @param ?PageScale $over of the whole report, where the page is on its scale; null: it is not */
    public function drawn(Foot $foot, ?PageScale $over = null): DrawnPage
    {
        $this->isOnScale() ? $this->drawOnScale($over) : $this->drawAlone();

        return $this->placed($foot, $over);
    }

    /** @return array{LaidText, float} the message in lines, and where the rule below it is */
    private function message(): array
    {
        $text = $this->page->message;
        $placed = new PlacedText(
            paragraphs: $text->isEmpty()
                ? [new Paragraph([new TextRun($this->page->title)])]
                : $this->drawing->paragraphs($text),
            left: $this->paper->left(),
            top: self::TOP,
            width: $this->paper->contentWidth(),
            size: Type::PAGE_MESSAGE,
            line: Type::PAGE_MESSAGE_LINE,
            weight: 500,
            ink: $text->isEmpty() ? Ink::Quiet : Ink::Ink,
        );
        $laid = TextLayout::of($placed, 'message', $this->drawing->stale($text));
        if ($this->paper->isBare) {
            return [new LaidText([], 0.0, $laid->texts), -self::BELOW_RULE];
        }

        return [$laid, self::TOP + max($laid->height, Type::PAGE_MESSAGE_LINE) + self::BELOW_MESSAGE];
    }

    /** Lays every block out, and makes charts fit the page. */
    private function draft(): void
    {
        $notes = PageNotes::of($this->drawing, $this->page);
        $this->notes = $notes->list;
        $blocks = new BlockLayout($this->drawing, $notes->ofBlock);
        $this->rows = [];
        foreach ($this->page->rows as $row) {
            foreach ($this->lines($row) as $line) {
                $drafts = $this->acrossThePage($line, $blocks);
                [] === $drafts || ($this->rows[] = new RowDraft($row->id, $drafts));
            }
        }
        null === $this->room() || $this->fit($this->room());
    }

    /** Height that rows have; null: any. */
    private function room(): ?float
    {
        $bottom = $this->paper->bottom();

        return null === $bottom ? null : $bottom - $this->top();
    }

    /** Where the first row begins. */
    private function top(): float
    {
        return $this->rule + self::BELOW_RULE;
    }

    /**
     * Blocks that stand side by side: those of a row, or each by itself where they would become too narrow.
     *
     * @return list<list<Block>>
     */
    private function lines(PageRow $row): array
    {
        $narrowest = \INF;
        foreach ($this->widths($row->blocks) as $i => $width) {
            $isText = !$row->blocks[$i] instanceof ChartBlock;
            $narrowest = min($narrowest, $isText ? \INF : $width);
        }

        return $this->paper->isColumn() || $narrowest < self::NARROWEST_CHART
            ? array_map(static fn (Block $block): array => [$block], $row->blocks)
            : [$row->blocks];
    }

    /**
     * @param list<Block> $blocks
     *
     * @return list<float>
     */
    private function widths(array $blocks): array
    {
        $parts = array_sum(array_map(static fn (Block $block): int => $block->width(), $blocks));
        $room = $this->paper->contentWidth() - self::BLOCK_GAP * (\count($blocks) - 1);

        return array_map(static fn (Block $block): float => ($room * $block->width()) / $parts, $blocks);
    }

    /**
     * @param list<Block> $line
     *
     * @return list<BlockDraft>
     */
    private function acrossThePage(array $line, BlockLayout $blocks): array
    {
        $left = $this->paper->left();
        $drafts = [];
        foreach ($this->widths($line) as $i => $width) {
            $drafts[] = $blocks->draft($line[$i], $left, $width, [] === $this->rows);
            $left += $width + self::BLOCK_GAP;
        }

        return $drafts;
    }

    /** Makes charts lower or higher until the page is filled, as far as they can. */
    private function fit(float $room): void
    {
        $factor = 1.0;
        for ($try = 0; $try < self::TRIES; ++$try) {
            $by = $this->missing($room);
            // Growing once is enough; what was made lower may have to become lower still.
            if (abs($by - 1.0) < self::CLOSE || ($try > 0 && $by > 1.0)) {
                return;
            }
            $factor = max(self::LEAST_FACTOR, min(self::MOST_GROWTH, $factor * $by));
            foreach ($this->drafts() as $draft) {
                $draft->ask($draft->natural * $factor);
            }
        }
    }

    /** By what factor heights of charts would have to change for the page to be filled; 1 where nothing can change. */
    private function missing(float $room): float
    {
        $fixed = self::ROW_GAP * max(0, \count($this->rows) - 1);
        $flexible = 0.0;
        foreach ($this->rows as $row) {
            $row->canChange() ? $flexible += $row->height() : $fixed += $row->height();
        }

        return 0.0 === $flexible ? 1.0 : max(0.05, ($room - self::SLACK - $fixed) / $flexible);
    }

    /** Whether what counts the same is on one scale. */
    private function isOnScale(): bool
    {
        return ScaleOver::None !== $this->drawing->report->scaleOf($this->page);
    }

    /** By what factor drawn charts are too high for the page; 1 where all of it has room. */
    private function shrinking(): float
    {
        $factor = null === $this->room() ? 1.0 : $this->missing($this->room() + self::SLACK);

        return $factor > 1.0 - self::CLOSE ? 1.0 : $factor;
    }

    /** Draws each chart on its own scale. */
    private function drawAlone(): void
    {
        for ($try = 0; $try < self::TRIES; ++$try) {
            foreach ($this->drafts() as $draft) {
                $draft->draw();
            }
            $factor = $this->shrinking();
            if (1.0 === $factor) {
                return;
            }
            // Labels that found no place took more room than was measured.
            foreach ($this->drafts() as $draft) {
                $draft->ask($factor * $draft->height);
            }
        }
    }

    /** Draws what counts the same on one scale. */
    private function drawOnScale(?PageScale $over): void
    {
        $own = $this->ownScale();
        $scale = null === $over ? $own : $own->with($over);
        $factor = 1.0;
        for ($try = 0; $try < self::TRIES; ++$try) {
            foreach ($this->drafts() as $draft) {
                $isAsItIs = 1.0 === $factor && $scale->holds($draft);
                $isAsItIs ? $draft->draw() : $draft->drawOnScale($factor * $draft->height, $scale->most($draft));
            }
            // Charts that are lower on the common scale leave room; those that are as high as before may need it.
            $factor = $this->shrinking();
            if (1.0 === $factor) {
                break;
            }
        }
    }

    /**
     * @param list<PlacedBlock> $placed
     *
     * @return list<Check> one for each unit that several charts count in
     */
    private function scaleChecks(array $placed, ?PageScale $over): array
    {
        $checks = [];
        foreach (PageScale::off($placed) as $counted => $off) {
            $what = str_ends_with($counted, ' points') ? 'percentage points' : ('' === $counted ? 'numbers' : $counted);
            $where = null === $over ? 'on this page' : 'in the report';
            $checks[] = new Check(
                'one-scale',
                [] === $off,
                [] === $off
                    ? "One scale for all that counts $what $where"
                    : Wording::count(\count($off), 'chart is', 'charts are')." not on the scale of $what",
            );
        }

        return $checks;
    }

    private function placed(Foot $foot, ?PageScale $over): DrawnPage
    {
        $placed = [];
        $y = $top = $this->top();
        foreach ($this->rows as $i => $row) {
            $y += 0 === $i ? 0.0 : self::ROW_GAP;
            foreach ($row->blocks as $draft) {
                $placed[] = $draft->placed($row->id, $y, $this->drawing);
            }
            $y += $row->height();
        }
        $paper = $this->paper;
        $notes = $paper->isColumn()
            ? MarginNotes::laid($this->notes, $paper->left(), $y + self::ROW_GAP, $paper->contentWidth())
            : MarginNotes::laid($this->notes, $paper->notesLeft(), $top, $paper->margin - $paper->notesLeft() - 12.0);
        $lowest = max($y, $paper->isColumn() ? $y + self::ROW_GAP + $notes->height : $top + $notes->height);
        $height = $paper->height ?? $lowest + self::ROW_GAP;
        $pages = $this->drawing->report->pages;
        $number = 1 + (int) array_search($this->page, $pages, true);

        return new DrawnPage(
            page: $this->page,
            number: $number,
            paper: $paper,
            height: $height,
            message: $this->message,
            messageBottom: $this->rule,
            frame: [...$this->rules($height), ...$notes->marks, ...$foot->marks($paper, $number, \count($pages))],
            noteTexts: $notes->texts,
            blocks: $placed,
            notes: $this->notes,
            over: null === $paper->bottom() ? 0.0 : max(0.0, $lowest - $paper->bottom()),
            checks: $this->isOnScale() ? $this->scaleChecks($placed, $over) : [],
        );
    }

    /** @return list<Mark> the rule of the margin, and that below the message */
    private function rules(float $height): array
    {
        $left = $this->paper->left();
        $below = new Line(
            x1: $left,
            y1: $this->rule,
            x2: $left + $this->paper->contentWidth(),
            y2: $this->rule,
            stroke: Ink::Ink->value,
            role: 'rule',
        );
        $margin = $this->paper->margin;
        $belowMessage = $this->paper->isBare ? [] : [$below];

        return 0.0 === $margin
            ? $belowMessage
            : [
                ...$belowMessage,
                new Line(
                    x1: $margin,
                    y1: 0.0,
                    x2: $margin,
                    y2: $height,
                    stroke: Ink::Accent->value,
                    thickness: 0.6,
                    role: 'margin',
                ),
            ];
    }

    /** @return list<BlockDraft> */
    private function drafts(): array
    {
        return array_merge([], ...array_map(static fn (RowDraft $row): array => $row->blocks, $this->rows));
    }
}

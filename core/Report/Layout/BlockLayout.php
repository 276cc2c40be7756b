<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\UndrawnChart;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Notation\Type;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Drawing\KeyNumbers;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Text\LiveText;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Workings\Result\RowNote;

/** Lays each block of a page out by itself, as wide as it is and as high as it likes to be; draws no chart yet. */
final readonly class BlockLayout
{
    private const BETWEEN = 7.0;
    /** So that its first line stands beside the first line of a chart. */
    private const RAISED = 5.0;
    private const SMALL_LINE = 14.0;
    /** Height of a place that nothing stands in yet. */
    private const EMPTY = 72.0;

    /** @param array<string, list<RowNote>> $notes by block, numbered through the page */
    public function __construct(private ReportDrawing $drawing, private array $notes) {}

    /** @param bool $isFirst whether it stands directly below the rule of the message */
    public function draft(Block $block, float $left, float $width, bool $isFirst): BlockDraft
    {
        $draft = new BlockDraft($block, $left, $width);
        match (true) {
            $block->isEmpty() => $draft->height = self::EMPTY,
            $block instanceof ChartBlock => $this->chart($block, $draft),
            $block instanceof FiguresBlock => self::take(
                $draft, KeyFigureMarks::laid(KeyNumbers::of($block, $this->drawing), $width, !$isFirst),
            ),
            $block instanceof TextBlock => self::take($draft, $this->text($block->text, $block->id, $width)),
            default => throw new \LogicException('A block of class '.$block::class.' cannot be laid out.'),
        };
        $draft->natural = $draft->height;

        return $draft;
    }

    private function chart(ChartBlock $block, BlockDraft $draft): void
    {
        try {
            $asked = $this->drawing->asked($block->id);
            $workings = $this->drawing->workings($block->id);
        } catch (NotAccepted $e) {
            $draft->trouble = $e->reason;
            self::take($draft, self::small("This chart cannot be drawn. $e->reason", $draft->width));

            return;
        }
        if ([] !== $asked->cannot) {
            $draft->cannot = $asked->cannot;
            $below = self::small('Not as its page: '.implode(' ', $asked->cannot), $draft->width);
            $draft->below = $below->marks;
            $draft->belowTexts = $below->texts;
            $draft->belowHeight = $below->height + 2.0;
        }
        $draft->who = $this->who($asked->figures->dataset()->organisation, $workings->context->who);
        $recipe = $asked->recipe->finished($draft->finish($asked->recipe->finish));
        $notes = $asked->recipe->finish->notes ? $this->notes[$block->id] ?? [] : [];
        $draft->take(UndrawnChart::of($recipe, $workings, $this->drawing->kinds(), new ChartOptions($notes)));
    }

    /** Whose report it is stands at the foot: charts say only what they are narrowed to. */
    private function who(string $organisation, string $who): string
    {
        return '' !== $organisation && $organisation === $this->drawing->report->organisation
            ? ltrim(substr($who, \strlen($organisation)), ', ')
            : $who;
    }

    private function text(LiveText $text, string $id, float $width): LaidText
    {
        $placed = new PlacedText(
            paragraphs: $this->drawing->paragraphs($text),
            left: 0.0,
            top: -self::RAISED,
            width: $width,
            size: Type::PAGE_TEXT,
            line: Type::PAGE_TEXT_LINE,
            between: self::BETWEEN,
        );

        return TextLayout::of($placed, $id, $this->drawing->stale($text));
    }

    private static function small(string $text, float $width): LaidText
    {
        return TextLayout::of(new PlacedText(
            paragraphs: [new Paragraph([new TextRun($text)])],
            left: 2.0,
            top: 0.0,
            width: $width - 4.0,
            size: Type::SMALL,
            line: self::SMALL_LINE,
            ink: Ink::Quiet,
        ));
    }

    private static function take(BlockDraft $draft, LaidText $laid): void
    {
        $draft->marks = $laid->marks;
        $draft->texts = $laid->texts;
        $draft->height = $laid->height;
    }
}

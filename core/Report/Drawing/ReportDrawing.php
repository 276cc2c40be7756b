<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Question\Finish\MessageNumber;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Text\LiveNumber;
use KeenMargin\Core\Report\Text\LiveText;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextMarkup;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;
use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Result\Workings;

/** The questions of a report's blocks and what they are answered with, each looked up once. */
final class ReportDrawing
{
    /** @var array<string, AskedChart|NotAccepted> by the ids of blocks and key figures */
    private array $asked = [];
    /** @var array<string, Workings|NotAccepted> */
    private array $workings = [];
    /** @var array<string, Source> by the ids of blocks and key figures */
    private readonly array $sources;
    /** @var \WeakMap<LiveNumber, NumberNow> */
    private readonly \WeakMap $numbers;

    private function __construct(public readonly Report $report, private readonly OpenedCharts $opened)
    {
        $this->numbers = new \WeakMap();
        $sources = [];
        foreach ($report->pages as $page) {
            foreach ($page->blocks() as $block) {
                if ($block instanceof ChartBlock && !$block->isEmpty()) {
                    $sources[$block->id] = new Source($page, $block->dataset, $block->recipe, $block->named);
                }
                foreach ($block instanceof FiguresBlock ? $block->figures : [] as $figure) {
                    $sources[$figure->id] = new Source($page, $figure->dataset, $figure->recipe);
                }
            }
        }
        $this->sources = $sources;
    }

    public static function of(Report $report, Library $library, ChartKinds $kinds): self
    {
        return new self($report, new OpenedCharts($library, $kinds));
    }

    /** Another state of the report, with the figures and recipes that are read already. */
    public function with(Report $report): self
    {
        return new self($report, $this->opened);
    }

    public function kinds(): ChartKinds
    {
        return $this->opened->kinds;
    }

    /**
     * The question of a block or key figure, with what its page is about over it.
     *
     * @throws NotAccepted where it cannot be asked
     */
    public function asked(string $id): AskedChart
    {
        $asked = $this->asked[$id] ??= $this->tryToAsk($id);

        return $asked instanceof AskedChart ? $asked : throw $asked;
    }

    /** @throws NotAccepted where it cannot be answered */
    public function workings(string $id): Workings
    {
        $workings = $this->workings[$id] ??= $this->tryToAnswer($id);

        return $workings instanceof Workings ? $workings : throw $workings;
    }

    /** What a number that a text took is now. */
    public function number(LiveNumber $number): NumberNow
    {
        return $this->numbers[$number] ??= $this->look($number);
    }

    private function look(LiveNumber $number): NumberNow
    {
        try {
            $workings = $this->workings($number->of);
            $dataset = $this->asked($number->of)->figures->dataset();
        } catch (NotAccepted $e) {
            return new NumberNow($number, null, null, null, $e->reason);
        }
        $row = $number->row ?? self::closingRow($workings, $dataset);
        $taken = new MessageNumber($number->said, $row, $number->column, $number->exact);
        $stale = MessageCheck::maybeStale($taken, $workings);
        $from = $workings->context->subject;

        return match (true) {
            null === $stale => new NumberNow($number, $number->said, $number->exact->toString(), $row, $from),
            null === $stale->exact => new NumberNow(
                $number, null, null, $row, "$from no longer has the row that it was taken from.",
            ),
            default => new NumberNow($number, $stale->now, $stale->exact, $row, $from),
        };
    }

    /** A text with its numbers as they are shown now. */
    public function said(LiveText $text): string
    {
        return $text->with($this->shown(...));
    }

    /** @return list<Paragraph> the same as paragraphs */
    public function paragraphs(LiveText $text): array
    {
        return TextMarkup::paragraphs($text, $this->shown(...));
    }

    /** @return list<int> which of the text's numbers have changed since it was written */
    public function stale(LiveText $text): array
    {
        return array_keys(
            array_filter($text->numbers(), fn (LiveNumber $number): bool => $this->number($number)->isStale()),
        );
    }

    private function shown(LiveNumber $number): string
    {
        return $this->number($number)->shown();
    }

    /**
     * The closing periods of the datasets that charts are of, as they are asked.
     *
     * @return array<string, Period> by dataset, without those that have no time or cannot be asked
     */
    public function closings(?Page $page = null): array
    {
        $closings = [];
        foreach ($this->sources as $id => $source) {
            if (null !== $page && $page->id !== $source->page->id) {
                continue;
            }
            try {
                $asked = $this->asked((string) $id);
            } catch (NotAccepted) {
                continue;
            }
            $dataset = $asked->figures->dataset();
            if (!$dataset->isTimeless() && !$dataset->isEmpty()) {
                $closings[$asked->dataset] ??= $this->report->closedThrough ?? $dataset->closing();
            }
        }

        return $closings;
    }

    /** The closing period that most of its datasets have; null where none has time. */
    public function maybeClosing(): ?Period
    {
        if (null !== $this->report->closedThrough) {
            return $this->report->closedThrough;
        }
        $counted = $periods = [];
        foreach ($this->closings() as $closing) {
            $counted[$closing->key()] = ($counted[$closing->key()] ?? 0) + 1;
            $periods[$closing->key()] = $closing;
        }
        arsort($counted);

        return $periods[(string) array_key_first($counted)] ?? null;
    }

    /** `Aug 2026`; blank where there is no time. */
    public function closingLabel(): string
    {
        $closing = $this->maybeClosing();

        return null === $closing ? '' : PeriodNames::full($closing);
    }

    /** @return list<string> ids of blocks and key figures that are asked something */
    public function ids(?Page $page = null): array
    {
        $sources = array_filter(
            $this->sources,
            static fn (Source $source): bool => null === $page || $source->page->id === $page->id,
        );

        return array_map(strval(...), array_keys($sources));
    }

    public function library(): Library
    {
        return $this->opened->library;
    }

    /** What a named chart is called; blank where it is the page's own, or gone. */
    public function nameOf(ChartBlock $block): string
    {
        try {
            return '' === $block->named ? '' : $this->opened->library->chart($block->named)->name;
        } catch (NotAccepted) {
            return '';
        }
    }

    private function tryToAsk(string $id): AskedChart|NotAccepted
    {
        $source = $this->sources[$id] ?? null;
        if (null === $source) {
            return new NotAccepted('', 'The chart that it was taken from is not in this report any more.');
        }
        try {
            $named = '' === $source->named ? null : $this->opened->library->chart($source->named);
            $dataset = $named->dataset ?? $source->dataset;
            $figures = $this->opened->figures($dataset);
            $own = $this->opened->recipe($named->recipe ?? $source->recipe ?? [], $dataset);
            $about = AboutChart::of(
                $own, $figures->dataset(), $this->report->aboutOf($source->page), $this->report->closedThrough,
            );

            return new AskedChart($dataset, $figures, $own, $about->recipe(), $about->cannot());
        } catch (NotAccepted $e) {
            return $e;
        }
    }

    private function tryToAnswer(string $id): Workings|NotAccepted
    {
        try {
            $asked = $this->asked($id);

            return Drawing::workings($asked->recipe, $asked->figures, $this->opened->kinds);
        } catch (NotAccepted $e) {
            return $e;
        }
    }

    private static function closingRow(Workings $workings, Dataset $dataset): RowKey
    {
        $by = $workings->context->by;
        $closing = $workings->context->closing;
        $isCoarser = $by instanceof Grain && $by !== $closing->grain && $by->shows($closing->grain);

        return RowKey::row(($isCoarser ? $closing->group($by, $dataset->calendar) : $closing)->key());
    }
}

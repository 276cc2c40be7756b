<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Layout;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Workings\Result\RowNote;

/** The notes of all charts of a page, numbered through the page: one number each, in however many charts it stands. */
final class PageNotes
{
    /** @var list<PageNote> in reading order */
    public array $list = [];
    /** @var array<string, list<RowNote>> by block */
    public array $ofBlock = [];
    /** @var array<string, int> by dataset and note */
    private array $numbers = [];

    public static function of(ReportDrawing $drawing, Page $page): self
    {
        $notes = new self();
        foreach ($page->blocks() as $block) {
            if ($block instanceof ChartBlock && !$block->isEmpty()) {
                try {
                    $notes->add($block, $drawing);
                } catch (NotAccepted) {
                    // A chart that cannot be drawn shows no notes.
                }
            }
        }

        return $notes;
    }

    /** @throws NotAccepted where the chart cannot be drawn */
    private function add(ChartBlock $block, ReportDrawing $drawing): void
    {
        $asked = $drawing->asked($block->id);
        if (!$asked->recipe->finish->notes) {
            return;
        }
        $notes = $drawing->library()->notes($asked->dataset, $asked->recipe->question);
        foreach ($notes->areNone() ? [] : $notes->in($drawing->workings($block->id)) as $note) {
            $key = "$asked->dataset:$note->id";
            if (!isset($this->numbers[$key])) {
                $this->numbers[$key] = \count($this->numbers) + 1;
                $this->list[] = new PageNote($this->numbers[$key], $note->text, $note->id, $block->id);
            }
            $this->ofBlock[$block->id][] = new RowNote($this->numbers[$key], $note->row, $note->text, $note->id);
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Question\Change\Renaming;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Report\About;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\KeyFigure;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;
use KeenMargin\Core\Report\Text\LiveNumber;
use KeenMargin\Core\Report\Text\LiveText;

/** A name of a dataset becomes another: in the questions of a report, and in the numbers that its texts took. */
final class ReportRenaming
{
    /** @var array<string, array<string, mixed>> recipes of the dataset, as they were, by block or key figure */
    private array $recipes = [];

    /** @param bool $isOnly whether the report is of no other dataset: then what its pages are about goes along */
    private function __construct(
        private readonly string $dataset,
        private readonly Renaming $renaming,
        private readonly bool $isOnly,
    ) {
    }

    /**
     * @param array<int|string, array<string, mixed>> $named recipes of the dataset's named charts, as they were, by
     *                                                       the report calls them
     * @param bool $isOnly whether all its charts are of this dataset
     *
     * @throws NotAccepted where a name cannot stand in a recipe
     */
    public static function of(
        Report $report,
        string $dataset,
        Renaming $renaming,
        array $named,
        bool $isOnly,
    ): Report {
        $own = new self($dataset, $renaming, $isOnly);
        foreach ($report->pages as $page) {
            foreach ($page->blocks() as $block) {
                if ($block instanceof ChartBlock && isset($named[$block->named])) {
                    $own->recipes[$block->id] = $named[$block->named];
                } elseif ($block instanceof ChartBlock && $block->dataset === $dataset && null !== $block->recipe) {
                    $own->recipes[$block->id] = $block->recipe;
                }
                foreach ($block instanceof FiguresBlock ? $block->figures : [] as $figure) {
                    $figure->dataset === $dataset && ($own->recipes[$figure->id] = $figure->recipe);
                }
            }
        }

        return With::of($report, [
            'about' => $own->about($report->about),
            'pages' => array_map($own->page(...), $report->pages),
        ]);
    }

    /** @throws NotAccepted */
    private function page(Page $page): Page
    {
        return With::of($page, [
            'message' => $this->text($page->message),
            'about' => $this->about($page->about),
            'rows' => array_map(
                fn (PageRow $row): PageRow => new PageRow($row->id, array_map($this->block(...), $row->blocks)),
                $page->rows,
            ),
        ]);
    }

    /** @throws NotAccepted */
    private function block(Block $block): Block
    {
        return match (true) {
            $block instanceof TextBlock => With::of($block, ['text' => $this->text($block->text)]),
            $block instanceof ChartBlock && null !== $block->recipe && $block->dataset === $this->dataset => With::of(
                $block,
                ['recipe' => $this->renaming->of($block->recipe)],
            ),
            $block instanceof FiguresBlock => With::of($block, [
                'figures' => array_map(
                    fn (KeyFigure $figure): KeyFigure => $figure->dataset === $this->dataset
                        ? With::of($figure, ['recipe' => $this->renaming->of($figure->recipe)])
                        : $figure,
                    $block->figures,
                ),
            ]),
            default => $block,
        };
    }

    /** @throws NotAccepted */
    private function text(LiveText $text): LiveText
    {
        return new LiveText(
            array_map(
                fn (string|LiveNumber $part): string|LiveNumber => $part instanceof LiveNumber
                    ? $this->number($part)
                    : $part,
                $text->parts,
            ),
        );
    }

    /**
     * Its row as the message of a chart would have it.
     *
     * @throws NotAccepted
     */
    private function number(LiveNumber $number): LiveNumber
    {
        $recipe = $this->recipes[$number->of] ?? null;
        if (null === $recipe || null === $number->row) {
            return $number;
        }
        $row = $this->renaming->row(
            $number->row->toJson(),
            \is_array($recipe['question'] ?? null) ? $recipe['question'] : [],
        );

        return With::of($number, [
            'row' => RowKeyReader::read(Given::json(json_encode($row, \JSON_THROW_ON_ERROR)), false),
        ]);
    }

    /** @throws NotAccepted */
    private function about(About $about): About
    {
        if (!$this->isOnly || [] === $about->where) {
            return $about;
        }
        $filters = $this->renaming->place(array_map(RecipeWriter::filter(...), $about->where));

        return With::of($about, [
            'where' => array_values(
                array_filter(
                    array_map(
                        static fn (array $filter) => QuestionReader::filter(
                            Given::json(json_encode($filter, \JSON_THROW_ON_ERROR)),
                        ),
                        $filters,
                    ),
                    static fn ($filter): bool => $filter instanceof MemberFilter,
                ),
            ),
        ]);
    }
}

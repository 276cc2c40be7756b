<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Document\RowKeyReader;
use KeenMargin\Core\Question\Names\RecipeNames;
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

/**
 * Puts other names of measures, breakdowns and members into a report: into its questions, the rows that its texts took
 * numbers from, and what its pages are about.
 */
final class ReportNames
{
    /**
     * What blocks and key figures ask, as the report has it, by their ids.
     *
     * @var array<string, array{dataset: string, question: array<mixed>}>
     */
    private array $asked = [];

    private function __construct(private readonly NamesOfDatasets $names) {}

    /** @throws NotAccepted where a name cannot stand in a report */
    public static function of(Report $report, NamesOfDatasets $names): Report
    {
        $own = new self($names);
        foreach ($report->blocks() as $block) {
            $own->ask($block);
        }

        return With::of($report, [
            'about' => $own->about($report->about, $report->blocks()),
            'pages' => array_map(
                static fn (Page $page): Page => $own->page($page, [...$page->blocks(), ...$report->blocks()]),
                $report->pages,
            ),
        ]);
    }

    private function ask(Block $block): void
    {
        if ($block instanceof ChartBlock) {
            $asked =
                null === $block->recipe
                    ? $this->names->maybeChart($block->named)
                    : ['dataset' => $block->dataset, 'question' => self::question($block->recipe)];
            null === $asked || ($this->asked[$block->id] = $asked);
        }
        foreach ($block instanceof FiguresBlock ? $block->figures : [] as $figure) {
            $this->asked[$figure->id] = ['dataset' => $figure->dataset, 'question' => self::question($figure->recipe)];
        }
    }

    /**
     * @param list<Block> $blocks its own and those of the other pages
     *
     * @throws NotAccepted
     */
    private function page(Page $page, array $blocks): Page
    {
        return With::of($page, [
            'message' => $this->text($page->message),
            'about' => $this->about($page->about, $blocks),
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
            $block instanceof ChartBlock && null !== $block->recipe => With::of($block, [
                'recipe' => RecipeNames::of($block->recipe, $this->names->of($block->dataset)),
            ]),
            $block instanceof FiguresBlock => With::of($block, [
                'figures' => array_map(
                    fn (KeyFigure $figure): KeyFigure => With::of($figure, [
                        'recipe' => RecipeNames::of($figure->recipe, $this->names->of($figure->dataset)),
                    ]),
                    $block->figures,
                ),
            ]),
            default => $block,
        };
    }

    /** @throws NotAccepted */
    private function text(LiveText $text): LiveText
    {
        return new LiveText(array_map(
            fn (string|LiveNumber $part): string|LiveNumber => $part instanceof LiveNumber
                ? $this->number($part)
                : $part,
            $text->parts,
        ));
    }

    /**
     * Its row as the message of a chart would have it.
     *
     * @throws NotAccepted
     */
    private function number(LiveNumber $number): LiveNumber
    {
        if (null === $number->row) {
            return $number;
        }
        $asked = $this->asked[$number->of] ?? ['dataset' => '', 'question' => []];
        $row = RecipeNames::row($number->row->toJson(), $asked['question'], $this->names->of($asked['dataset']));

        return With::of($number, [
            'row' => RowKeyReader::read(Given::json(json_encode($row, \JSON_THROW_ON_ERROR)), false),
        ]);
    }

    /**
     * Filters are of the first dataset among the blocks that knows their breakdown; of none where no block is left.
     *
     * @param list<Block> $blocks
     *
     * @throws NotAccepted
     */
    private function about(About $about, array $blocks): About
    {
        return With::of($about, [
            'where' => array_map(
                fn (MemberFilter $filter): MemberFilter => $this->filter($filter, $blocks),
                $about->where,
            ),
        ]);
    }

    /**
     * @param list<Block> $blocks
     *
     * @throws NotAccepted
     */
    private function filter(MemberFilter $filter, array $blocks): MemberFilter
    {
        $written = RecipeWriter::filter($filter);
        foreach ($this->datasets($blocks) as $dataset) {
            $names = $this->names->of($dataset);
            if ($names->breakdown($filter->breakdown) !== $filter->breakdown) {
                $written = RecipeNames::filters([$written], $names)[0];
                break;
            }
        }
        $read = QuestionReader::filter(Given::json(json_encode($written, \JSON_THROW_ON_ERROR)));

        return $read instanceof MemberFilter ? $read : $filter;
    }

    /**
     * @param list<Block> $blocks
     *
     * @return list<string> in the order of the blocks; blank, the last one: none
     */
    private function datasets(array $blocks): array
    {
        $datasets = [];
        foreach ($blocks as $block) {
            $ids = $block instanceof FiguresBlock
                ? array_map(static fn (KeyFigure $figure): string => $figure->id, $block->figures)
                : [$block->id()];
            foreach ($ids as $id) {
                isset($this->asked[$id]) && ($datasets[] = $this->asked[$id]['dataset']);
            }
        }

        return [...array_values(array_unique($datasets)), ''];
    }

    /**
     * @param array<string, mixed> $recipe
     *
     * @return array<mixed>
     */
    private static function question(array $recipe): array
    {
        return \is_array($recipe['question'] ?? null) ? $recipe['question'] : [];
    }
}

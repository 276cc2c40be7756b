<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind;

use KeenMargin\Core\Chart\Frame\ChartOptions;
use KeenMargin\Core\Chart\Frame\Frame;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Finish\Finish;
use KeenMargin\Core\Question\Kind;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Workings\About\RowChange;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowWriter;
use KeenMargin\Core\Workings\Result\Workings;

/** A way to draw a question: recipe and figures in, workings and a scene out. */
interface ChartKind extends Kind
{
    public function name(): string;

    /** The group by the question that it answers: `Against`, `Why` … */
    public function group(): string;

    /** One line for a reader who chooses among kinds. */
    public function says(): string;

    /** @return list<Mark> the kind in small, within GLYPH_WIDTH × GLYPH_HEIGHT points, drawn from fixed numbers */
    public function glyph(): array;

    /**
     * The numbers that it draws.
     *
     * @throws NotAccepted where the dataset cannot answer the question
     */
    public function workings(Recipe $recipe, Figures $figures): Workings;

    /** The chart of its numbers, before it is drawn. */
    public function frame(Workings $workings, Finish $finish, ChartOptions $options): Frame;

    /**
     * What a reader can change at one of its rows, besides what every chart has.
     *
     * @return list<RowChange>
     */
    public function changes(Row $row, Workings $workings, Recipe $recipe, Dataset $dataset): array;

    /** How the rows of its workings are written as JSON. */
    public function rowWriter(): RowWriter;

    /** What the check of the scale says where it holds: `One scale for all scenarios`. */
    public function scaleWords(): string;
}

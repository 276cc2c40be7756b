<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Drawing;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Workings\About\NotesInChart;

/** What the blocks of a report refer to: figures, named charts, notes. */
interface Library
{
    /**
     * @param string $dataset as the report names it; blank: the only one
     *
     * @throws NotAccepted where there is none
     */
    public function figures(string $dataset): Figures;

    /**
     * @param string $named as the report names it
     *
     * @throws NotAccepted where there is none
     */
    public function chart(string $named): NamedChart;

    /** The notes of a dataset as a chart takes them. */
    public function notes(string $dataset, Question $question): NotesInChart;
}

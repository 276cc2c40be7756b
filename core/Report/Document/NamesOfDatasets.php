<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Question\Names\NameMap;

/** What the names in a report become, by the dataset that they are names of. */
interface NamesOfDatasets
{
    /** @param string $dataset as the report calls it; blank: it is not known */
    public function of(string $dataset): NameMap;

    /**
     * What a named chart asks, so that the rows which texts took numbers from can be told.
     *
     * @return array{dataset: string, question: array<mixed>}|null null: it is not there any more
     */
    public function maybeChart(string $named): ?array;
}

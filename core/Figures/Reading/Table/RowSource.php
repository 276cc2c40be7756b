<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

/** A table on its way in, whatever file it stands in; it can be run through as often as needed. */
interface RowSource
{
    /**
     * @param int $after the number of the row after which to begin
     *
     * @return iterable<int, list<string>> cells as they stand, by the row's number in the file from 1; blank rows may
     *                                     be left out
     */
    public function rows(int $after = -1): iterable;
}

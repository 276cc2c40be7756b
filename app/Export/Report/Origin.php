<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Report;

/** Where a report and its figures are kept, as whoever has a file of it may want to know. */
interface Origin
{
    /** Address of a page of the report, or of the named chart that stands in a block; null where there is none. */
    public function maybeAddress(string $page, string $named = ''): ?string;

    /**
     * What the figures of a dataset came with.
     *
     * @param string $dataset as the report names it
     *
     * @return list<string> `net-revenue.csv, 3 Sep 2026`
     */
    public function sources(string $dataset): array;
}

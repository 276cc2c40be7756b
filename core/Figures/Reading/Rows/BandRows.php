<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\BandMeaning;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Refusals;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** Rows whose bands are limits, whatever they were written as. */
final readonly class BandRows implements RowSource
{
    public function __construct(
        private RowSource $source,
        private BandColumns $bands,
        private Mapping $mapping,
        private Refusals $refusals,
    ) {}

    /** @throws RefusedFigures */
    public function rows(int $after = -1): iterable
    {
        $leaveOut = array_fill_keys($this->mapping->leaveOut, true);
        foreach ($this->source->rows($after) as $number => $cells) {
            $converted = isset($leaveOut[$number])
                ? $cells
                : $this->bands->converted(
                    $cells,
                    $this->mapping->bands ?? BandMeaning::Limits,
                    $this->mapping->decimal->value,
                );
            if (\is_string($converted)) {
                $this->refusals->add($number, '', $converted);
                continue;
            }
            yield $number => $converted;
        }
    }
}

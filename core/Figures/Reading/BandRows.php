<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** Rows whose bands are limits, whatever they were written as. */
final readonly class BandRows implements RowSource
{
    public function __construct(
        private RowSource $source,
        private BandColumns $bands,
        private Mapping $mapping,
        private Refusals $refusals,
    ) {
    }

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

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** Rows whose bands are limits, whatever they were written as. */
final readonly class BandRows implements RowSource
{
    public function __construct(private RowSource $source, private BandColumns $bands, private BandMeaning $meaning, private string $point, private Refusals $refusals)
    {
    }

    public function rows(int $after = -1): iterable
    {
        foreach ($this->source->rows($after) as $number => $cells) {
            $converted = $this->bands->converted($cells, $this->meaning, $this->point);
            if (\is_string($converted)) {
                $this->refusals->add($number, '', $converted);
                continue;
            }
            yield $number => $converted;
        }
    }
}

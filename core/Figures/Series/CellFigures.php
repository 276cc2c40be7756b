<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Series;

use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;

/**
 * Figures whose sums also tell what they are made of, member by member, so that two of them can be compared like with
 * like: ratios and averages over members, where a missing figure is not nothing.
 */
final readonly class CellFigures implements Figures
{
    private function __construct(private Figures $figures) {}

    /** The figures themselves, where a missing figure of the measure counts as nothing. */
    public static function of(Figures $figures, Measure $measure): Figures
    {
        return $measure->isAddedOverMembers() ? $figures : new self($figures);
    }

    public function dataset(): Dataset
    {
        return $this->figures->dataset();
    }

    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        return $this->figures->sumsBySeries($measures, $where, $scenarios);
    }

    public function sums(array $measures, array $where): Sums
    {
        $cells = $this->figures->sumsBySeries($measures, $where, Scenario::cases());

        return $this->figures->sums($measures, $where)->ofCells($cells);
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        $place = $this->dataset()->placeOf($breakdown);
        $byMember = [];
        foreach ($this->figures->sumsBySeries($measures, $where, $scenarios) as $joined => $cell) {
            $byMember[explode("\0", (string) $joined)[$place]][$joined] = $cell;
        }
        $sums = $this->figures->sumsBy($breakdown, $measures, $where, $scenarios);
        foreach ($sums as $member => $own) {
            $sums[$member] = $own->ofCells($byMember[$member] ?? []);
        }

        return $sums;
    }
}

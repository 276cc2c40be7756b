<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** Figures held in memory. Every key stands once. */
final readonly class FactTable implements Figures
{
    /** @param list<Fact> $facts */
    public function __construct(private Dataset $dataset, public array $facts)
    {
    }

    public function dataset(): Dataset
    {
        return $this->dataset;
    }

    public function sums(array $measures, array $where): Sums
    {
        $places = array_flip(array_map(static fn (Dimension $breakdown): string => $breakdown->name, $this->dataset->breakdowns));
        $sums = new Sums();
        foreach ($this->facts as $fact) {
            if (!\in_array($fact->measure, $measures, true)) {
                continue;
            }
            foreach ($where as $filter) {
                if (!$filter->lets($fact->members[$places[$filter->breakdown]])) {
                    continue 2;
                }
            }
            $sums->add($fact->measure, $fact->scenario, $fact->period->start, $fact->amount);
        }

        return $sums;
    }
}

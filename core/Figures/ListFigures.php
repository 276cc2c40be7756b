<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;

/** A list that states sums of its own rows, without these: they would count twice. */
final readonly class ListFigures implements Figures
{
    /**
     * @param Figures $stated with them
     * @param list<string> $sums members of the breakdown that are sums of others
     */
    public function __construct(public Figures $stated, private string $breakdown, private array $sums) {}

    public function dataset(): Dataset
    {
        return $this->stated->dataset();
    }

    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        return $this->stated->sumsBySeries($measures, [...$where, $this->withoutSums()], $scenarios);
    }

    public function sums(array $measures, array $where): Sums
    {
        return $this->stated->sums($measures, [...$where, $this->withoutSums()]);
    }

    private function withoutSums(): MemberFilter
    {
        return new MemberFilter($this->breakdown, $this->sums, false);
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        return array_diff_key(
            $this->stated->sumsBy($breakdown, $measures, $where, $scenarios),
            $breakdown === $this->breakdown ? array_fill_keys($this->sums, true) : [],
        );
    }
}

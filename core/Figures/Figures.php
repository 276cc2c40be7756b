<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;

/**
 * Figures that can be asked: held in memory after reading a file, or in the fact store.
 */
interface Figures
{
    public function dataset(): Dataset;

    /**
     * Sums over all members that the filters let through, by measure, scenario and finest period.
     *
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where all of them must hold
     */
    public function sums(array $measures, array $where): Sums;

    /**
     * The same for each member of a breakdown that has any.
     *
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where all of them must hold
     * @param list<Scenario> $scenarios those that matter
     *
     * @return array<string|int, Sums> by member
     */
    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array;

    /**
     * The same for each combination of members that has any.
     *
     * @param list<string> $measures
     * @param list<MemberFilter|NumberFilter> $where all of them must hold
     * @param list<Scenario> $scenarios those that matter
     *
     * @return array<string|int, Sums> by the members, one of each breakdown, with a zero byte between them
     */
    public function sumsBySeries(array $measures, array $where, array $scenarios): array;
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

use KeenMargin\Core\Figures\Filter\MemberFilter;

/**
 * Figures of a statement in which each line bears the sign of what it does, so that sums are results: revenue less
 * costs. Lines that are subtotals are left out.
 */
final class NetFigures implements Figures
{
    /** @var array<string, LineSigns> by names of measures */
    private array $signs = [];

    /** @param Breakdown $lines of the dataset, with roles */
    public function __construct(public readonly Figures $figures, private readonly Breakdown $lines) {}

    /** The breakdown that is a statement: it has lines that take away, or that are subtotals. Null where none is. */
    public static function maybeLines(Dataset $dataset): ?Breakdown
    {
        // Sums of a plain list are told by its rows' places; without signs it is no statement.
        $isList = $dataset->isTimeless() && 1 === \count($dataset->breakdowns);
        foreach ($dataset->breakdowns as $breakdown) {
            $roles = [] === $breakdown->roles ? [] : $breakdown->rolesOf($breakdown->members);
            $hasSums = !$isList && \in_array(LineRole::Subtotal, $roles, true);
            if ($hasSums || \in_array(LineRole::TakesAway, $roles, true)) {
                return $breakdown;
            }
        }

        return null;
    }

    public function dataset(): Dataset
    {
        return $this->figures->dataset();
    }

    /** @param list<string> $measures */
    public function signs(array $measures): LineSigns
    {
        return $this->signs[implode("\0", $measures)] ??= LineSigns::of(
            $this->lines, $this->figures->sumsBy($this->lines->name, $measures, [], Scenario::cases()), $measures,
        );
    }

    /** With the signs that they came with: nobody asks for the cells of what is added up. */
    public function sumsBySeries(array $measures, array $where, array $scenarios): array
    {
        return $this->figures->sumsBySeries($measures, $where, $scenarios);
    }

    public function sums(array $measures, array $where): Sums
    {
        return Sums::of($this->sumsBy($this->lines->name, $measures, $where, Scenario::cases()));
    }

    public function sumsBy(string $breakdown, array $measures, array $where, array $scenarios): array
    {
        if ($breakdown === $this->lines->name) {
            $signs = $this->signs($measures);
            $sums = $this->figures->sumsBy($breakdown, $measures, $where, $scenarios);
            foreach ($sums as $line => $own) {
                $sums[$line] = isset($signs->negated[$line]) ? $own->negated($signs->negated[$line]) : $own;
            }

            return array_diff_key($sums, array_fill_keys($signs->subtotals, true));
        }
        $parts = [];
        foreach ($this->groups($measures) as $group) {
            $sums = $this->figures->sumsBy($breakdown, $measures, [...$where, $group->filter], $scenarios);
            foreach ($sums as $member => $own) {
                $parts[$member][] = [] === $group->negated ? $own : $own->negated($group->negated);
            }
        }

        return $this->inOrder($breakdown, array_map(Sums::of(...), $parts));
    }

    /**
     * Lines of the same signs together, so that each group is asked once.
     *
     * @param list<string> $measures
     *
     * @return list<SignedLines>
     */
    private function groups(array $measures): array
    {
        $signs = $this->signs($measures);
        $groups = $lines = [];
        foreach (array_diff($this->lines->members, $signs->subtotals, $this->lines->groups()) as $line) {
            $key = json_encode($signs->negated[$line] ?? [], \JSON_THROW_ON_ERROR);
            $groups[$key] = $signs->negated[$line] ?? [];
            $lines[$key][] = $line;
        }

        return array_map(
            fn (array $negated, array $own): SignedLines => new SignedLines(
                new MemberFilter($this->lines->name, $own), $negated,
            ),
            $groups,
            $lines,
        );
    }

    /**
     * @param array<string|int, Sums> $sums
     *
     * @return array<string|int, Sums> as the members stand in their breakdown
     */
    private function inOrder(string $breakdown, array $sums): array
    {
        $ordered = [];
        foreach ($this->dataset()->maybeBreakdown($breakdown)->members ?? [] as $member) {
            if (isset($sums[$member])) {
                $ordered[$member] = $sums[$member];
            }
        }

        return $ordered;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings;

use KeenMargin\Core\Figures\Dimension;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\MemberFilter;

/** The charts that a question asks for: one, or one for each member of a breakdown, the smallest gathered. */
final class Panels
{
    private const MOST = 12;

    /** @return list<Panel> */
    public static function of(Scope $scope, Figures $figures): array
    {
        $where = $scope->question->where;
        $dimension = null === $scope->question->each ? null : $scope->dataset->maybeBreakdown($scope->question->each);
        if (null === $dimension) {
            return [new Panel('', $where)];
        }
        $sums = $figures->sumsBy($dimension->name, $scope->sources, $where, $scope->lookedUp());
        $members = array_map(strval(...), array_keys($sums));
        if (\count($members) > self::MOST) {
            $question = $scope->question;
            $sizes = MemberSizes::largestFirst(MemberSizes::of($sums, $scope->measure, $question->scenario, $question->forecast, $scope->closing, $scope->fine));
            $members = \array_slice(array_map(strval(...), array_keys($sizes)), 0, self::MOST - 1);
        }
        $panels = array_map(static fn (string $member): Panel => new Panel(PanelName::of($member), [...$where, new MemberFilter($dimension->name, [$member])]), self::inOrder($members, $dimension));
        $left = \count($sums) - \count($members);

        return $left > 0 ? [...$panels, new Panel(PanelName::others($left), [...$where, new MemberFilter($dimension->name, $members, false)])] : $panels;
    }

    /**
     * @param list<string> $members
     *
     * @return list<string> as they stand in the breakdown
     */
    private static function inOrder(array $members, Dimension $dimension): array
    {
        $among = array_fill_keys($members, true);

        return array_values(array_filter($dimension->members, static fn (string $member): bool => isset($among[$member])));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Rows;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Filter\NumberFilter;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/** The panels that a question asks for: one, or one for each member of a breakdown, the smallest ones together. */
final class Panels
{
    private const MOST = 12;

    /**
     * @param FinePeriods $reach all periods that rows are made of
     * @param list<MemberFilter|NumberFilter> $where that rows have besides the panel's own filter
     *
     * @return list<Panel> those that have figures
     */
    public static function of(
        Scope $scope,
        Figures $figures,
        RowContent $content,
        FinePeriods $reach,
        array $where,
    ): array {
        $breakdown = null === $scope->question->each ? null : $scope->dataset->maybeBreakdown($scope->question->each);
        if (null === $breakdown) {
            return [Panel::only($scope->question->where)];
        }
        $all = $figures->sumsBy($breakdown->name, $scope->sources, $where, $scope->lookedUp());
        $sums = array_filter($all, static fn (Sums $own): bool => $content->hasFigures($reach, $own));
        $members = array_map(strval(...), array_keys($sums));
        if (\count($members) > self::MOST) {
            $sizes = MemberSizes::largestFirst($content->sizes($reach, $sums));
            $members = \array_slice(array_map(strval(...), array_keys($sizes + $sums)), 0, self::MOST - 1);
        }
        $panels = [];
        foreach (self::inOrder($members, $breakdown) as $member) {
            $panels[] = Panel::member($member, [
                ...$scope->question->where,
                new MemberFilter($breakdown->name, [$member]),
            ]);
        }
        $left = \count($sums) - \count($members);
        if ($left > 0) {
            $panels[] = Panel::others($left, [
                ...$scope->question->where,
                new MemberFilter($breakdown->name, $members, false),
            ]);
        }

        return $panels;
    }

    /**
     * @param list<string> $members
     *
     * @return list<string> as they stand in the breakdown
     */
    private static function inOrder(array $members, Breakdown $breakdown): array
    {
        $among = array_fill_keys($members, true);

        return array_values(
            array_filter($breakdown->members, static fn (string $member): bool => isset($among[$member])),
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Table;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\Spread;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Arithmetic\FinePeriods;

/** One amount spread over the periods of one row: evenly, or in the proportions of the prior year. */
final class SpreadOfRow
{
    /**
     * @param array<string, string> $where a member of each breakdown
     * @param list<Period> $periods of the finest grain
     *
     * @return list<BigDecimal> one for each period
     *
     * @throws NotAccepted
     */
    public static function of(
        Figures $figures,
        Measure $measure,
        array $where,
        array $periods,
        BigDecimal $amount,
        bool $asPriorYear,
    ): array {
        if (Grouping::Sum !== $measure->grouping) {
            throw new NotAccepted(
                'measure',
                "$measure->name is not added up over periods, so that there is nothing to spread. Fill the row with "
                    .'one value.',
            );
        }
        $decimals = max(0, $measure->decimals);
        if (!$asPriorYear) {
            return Spread::evenly($amount, max(1, \count($periods)), $decimals);
        }
        $filters = array_map(
            static fn (string $breakdown, string $member): MemberFilter => new MemberFilter($breakdown, [$member]),
            array_keys($where),
            $where,
        );
        $comparison = MemberTable::comparison($figures, $measure, Scenario::PriorYear, null);
        $sums = $figures->sums($measure->sources(), $filters);
        $weights = array_map(
            static fn (Period $period): ?BigDecimal => $comparison->shown(new FinePeriods([$period]), $sums),
            $periods,
        );
        $whole = $comparison->shown(new FinePeriods($periods), $sums);
        if (null === $whole || $whole->isZero()) {
            throw new NotAccepted('by', 'There are no figures of the prior year to spread by. Spread it evenly.');
        }

        return Spread::by($amount, $weights, $decimals);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Time\PeriodNames;

/** What an arrival would do, in a sentence. */
final class ArrivalWords
{
    private const MOST_PERIODS = 3;

    /**
     * `Jun 2026 changes, which is closed: 3 amounts; Aug 2026 is new: 14 amounts.`.
     *
     * @param list<string> $failing
     */
    public static function says(Differences $differences, array $failing): string
    {
        $counts = $differences->counts();
        $closed = self::periods($differences, true);
        $parts = array_filter([
            [] === $closed
                ? ''
                : Wording::some($closed, self::MOST_PERIODS).
                    ' '.
                    (1 === \count($closed) ? 'is' : 'are').
                    ' closed and would change',
            $counts->inNewPeriods > 0
                ? Wording::count($counts->inNewPeriods, 'amount', 'amounts').' of new periods'
                : '',
            self::changed($differences),
        ]);

        $says = implode('; ', $parts);
        $sentence = mb_strtoupper(mb_substr($says, 0, 1)).mb_substr($says, 1).'.';

        return mb_substr(implode(' ', [$sentence, ...$failing]), 0, 1000);
    }

    private static function changed(Differences $differences): string
    {
        $counts = $differences->counts();
        $added = $counts->added - $counts->inNewPeriods;
        $parts = array_filter([
            $counts->changed > 0 ? Wording::count($counts->changed, 'amount changes', 'amounts change') : '',
            $counts->removed > 0 ? Wording::count($counts->removed, 'amount goes', 'amounts go') : '',
            $added > 0 ? Wording::count($added, 'amount comes', 'amounts come').' to periods that are there' : '',
        ]);

        return Wording::and(array_values($parts));
    }

    /** @return list<string> */
    private static function periods(Differences $differences, bool $isClosed): array
    {
        $names = [];
        foreach ($differences->periods() as $row) {
            if ($differences->known->isClosed($row['start']) === $isClosed) {
                $names[$row['start']] = PeriodNames::full($differences->known->period($row['start']));
            }
        }
        ksort($names);

        return array_values($names);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Time\PeriodNames;

/** What an arrival would do, in a sentence. */
final class ArrivalWords
{
    private const MOST_PERIODS = 3;

    /**
     * `Jun 2026 is closed and would change by −6,111 EUR; 3 amounts change.`.
     *
     * @param array<string, array{string, int}> $measures unit and decimals by name
     * @param list<string> $failing
     */
    public static function says(Differences $differences, array $measures, array $failing): string
    {
        $counts = $differences->counts();
        $parts = array_filter([
            self::closed($differences, $measures),
            $counts->inNewPeriods > 0
                ? Wording::count($counts->inNewPeriods, 'amount', 'amounts').' of new periods'
                : '',
            self::changed($differences),
        ]);
        $says = implode('; ', $parts);
        $sentence = mb_strtoupper(mb_substr($says, 0, 1)).mb_substr($says, 1).'.';

        return mb_substr(implode(' ', [$sentence, ...$failing]), 0, 1000);
    }

    /** @param array<string, array{string, int}> $measures */
    private static function closed(Differences $differences, array $measures): string
    {
        $closed = array_filter(
            $differences->periods(),
            static fn (array $row): bool => $differences->known->isClosed($row['start']),
        );
        $names = [];
        foreach ($closed as $row) {
            $names[$row['start']] = PeriodNames::full($differences->known->period($row['start']));
        }
        ksort($names);
        if ([] === $names) {
            return '';
        }
        // Of one period and measure the sum says most.
        $by = '';
        if (1 === \count($closed)) {
            $row = array_values($closed)[0];
            [$unit, $decimals] = $measures[$row['measure']] ?? ['', 0];
            $by = ' by '.self::signed($row['sum']->amount($decimals)).('' === $unit ? '' : " $unit");
        }

        return Wording::some(array_values($names), self::MOST_PERIODS).
            (1 === \count($names) ? ' is' : ' are').
            " closed and would change$by";
    }

    private static function signed(BigDecimal $change): string
    {
        [$whole, $fraction] = explode('.', (string) $change->abs()) + ['', ''];
        $grouped = (string) preg_replace('/\B(?=(\d{3})+$)/', ',', $whole);
        $sign = $change->isZero() ? '' : ($change->isNegative() ? '−' : '+');

        return $sign.$grouped.('' === $fraction ? '' : ".$fraction");
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
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodRuns;
use KeenMargin\Core\Workings\Arithmetic\LeftOut;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;

/**
 * Says in a chart's subtitle that variances are of fewer periods than the amounts beside them, which are whole: `ΔBU
 * without Mar`.
 * Without that the variance would not seem to follow from what is drawn.
 */
final class PartlyCompared
{
    /** Unbroken runs of periods that are told by name. */
    private const NAMED = 3;

    /** @return list<string> one for each reference whose variances are of part of the periods */
    public static function words(Workings $workings): array
    {
        $words = array_map(
            static fn (Reference $one): ?string => self::against($one, $workings),
            $workings->table->references,
        );

        return array_values(array_filter($words));
    }

    private static function against(Reference $reference, Workings $workings): ?string
    {
        $periods = self::ofPeriods($reference, $workings);
        $unlike = $workings->context->unlike[$reference->key] ?? null;

        return match (true) {
            null === $unlike => $periods,
            null === $periods => self::head($reference, $workings)." $unlike",
            default => "$periods, $unlike",
        };
    }

    private static function ofPeriods(Reference $reference, Workings $workings): ?string
    {
        $parts = array_values(array_filter($workings->table->rows, static fn (Row $row): bool => $row->role->isPart()));
        $partly = array_values(
            array_filter($parts, static fn (Row $row): bool => null !== $row->comparesOnly($reference->key)),
        );
        if ([] === $partly) {
            return null;
        }
        $leftOut = $workings->table->total->leftOut[$reference->key] ?? new LeftOut();
        if (!$leftOut->isEmpty() && ($workings->context->by instanceof Grain || self::isAlike($partly, $reference))) {
            return self::head($reference, $workings).' without '.self::names($leftOut->all(), $parts);
        }

        return self::head($reference, $workings).
            ' of '.
            Wording::count(\count($partly), 'row', 'rows').
            ' without some periods';
    }

    /**
     * Whether all rows compare the same periods.
     *
     * @param list<Row> $rows
     */
    private static function isAlike(array $rows, Reference $reference): bool
    {
        return 1 ===
            \count(
                array_unique(array_map(static fn (Row $row): ?string => $row->comparesOnly($reference->key), $rows)),
            );
    }

    /**
     * @param list<Period> $periods
     * @param list<Row> $rows
     */
    private static function names(array $periods, array $rows): string
    {
        $among = [];
        foreach ($rows as $row) {
            foreach ($row->fine->list ?? [] as $period) {
                $among[$period->start] = $period;
            }
        }
        ksort($among);
        $among = array_values($among);
        $namesYears = PeriodRuns::areOfSeveralYears($among[0], $among[\count($among) - 1]);

        return Wording::some(PeriodRuns::named($periods, $among, $namesYears), self::NAMED);
    }

    /** `ΔBU`, `Change` */
    private static function head(Reference $reference, Workings $workings): string
    {
        foreach ($workings->table->columns as $column) {
            if ($column->key === $reference->key && $column->form->isOfVariance()) {
                return $column->head;
            }
        }

        return "\u{0394}{$reference->short}";
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Mapping;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Reading\Text\DateOrder;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;
use KeenMargin\Core\Figures\Reading\Text\PercentMeaning;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;

/**
 * Reads the `figures` of a recipe. What it leaves out is guessed from the sheet; without one, any column may be named.
 */
final class MappingReader
{
    public const KEYS = [
        'columns', 'decimal', 'dates', 'measure', 'year', 'leaveOut', 'measures', 'fiscalYearStarts', 'grain', 'sameAs',
        'totals', 'header', 'sheet', 'bands', 'percents', 'lines', 'closedThrough',
    ];

    /** @throws NotAccepted */
    public static function read(Given $given, Mapping $guess, ?FileTable $sheet): Mapping
    {
        $given->object(self::KEYS);
        $columns = $given->maybe('columns');

        return new Mapping(
            columns: null === $columns ? $guess->columns : self::columns($columns, $sheet),
            decimal: $given->maybe('decimal')?->enum(NumberStyle::class) ?? $guess->decimal,
            dates: $given->maybe('dates')?->enum(DateOrder::class) ?? $guess->dates,
            measure: $given->maybe('measure')?->string() ?? $guess->measure,
            year: $given->maybe('year')?->int(Period::FIRST_YEAR, Period::LAST_YEAR) ?? $guess->year,
            leaveOut: array_map(
                static fn (Given $row): int => $row->int(1, 10_000_000),
                $given->maybe('leaveOut')?->list() ?? [],
            ),
            measures: null === $given->maybe('measures') ? $guess->measures : self::measures($given->must('measures')),
            calendar: new FiscalCalendar(
                $given->maybe('fiscalYearStarts')?->int(1, 12) ?? $guess->calendar->firstMonth,
            ),
            grain: $given->maybe('grain')?->enum(Grain::class) ?? $guess->grain,
            sameAs: self::sameAs($given->maybe('sameAs')),
            keepsTotals: null === $given->maybe('totals')
                ? $guess->keepsTotals
                : 'keep' === $given->must('totals')->oneOf(['keep', 'leave out']),
            header: self::maybeHeader($given),
            sheet: self::maybeSheet($given),
            bands: $given->maybe('bands')?->enum(BandMeaning::class) ?? $guess->bands,
            percents: $given->maybe('percents')?->enum(PercentMeaning::class) ?? $guess->percents,
            closedThrough: self::maybePeriod($given->maybe('closedThrough')),
            lines: null === $given->maybe('lines') ? $guess->lines : LineRoles::read($given->must('lines')),
        );
    }

    /**
     * Where the header stands, if it is told; needed before the file can be looked at.
     *
     * @throws NotAccepted
     */
    public static function maybeHeader(?Given $figures): ?HeaderPosition
    {
        $header = $figures?->maybe('header')?->object(['row', 'levels']);
        $levels = $header?->maybe('levels')?->int(0, 2) ?? 1;

        return null === $header
            ? null
            : new HeaderPosition($header->must('row')->int(0, 10_000), 0 === $levels || 2 === $levels ? $levels : 1);
    }

    /** @throws NotAccepted */
    public static function maybeSheet(?Given $figures): ?string
    {
        return $figures?->maybe('sheet')?->string();
    }

    /** @throws NotAccepted */
    private static function maybePeriod(?Given $given): ?Period
    {
        if (null === $given) {
            return null;
        }
        try {
            return Period::of($given->string(20));
        } catch (NotAPeriod $e) {
            throw new NotAccepted($given->path, $e->getMessage());
        }
    }

    /**
     * @return array<string, array<string, string>>
     *
     * @throws NotAccepted
     */
    private static function sameAs(?Given $given): array
    {
        return array_map(
            static fn (Given $members): array => array_map(
                static fn (Given $name): string => $name->string(Limits::NAME),
                $members->entries(),
            ),
            $given?->entries() ?? [],
        );
    }

    /**
     * @return array<string, ColumnRole>
     *
     * @throws NotAccepted
     */
    private static function columns(Given $given, ?FileTable $sheet): array
    {
        $columns = [];
        foreach ($given->entries() as $name => $column) {
            if (null !== $sheet && !\in_array((string) $name, $sheet->header, true)) {
                throw $column->refuse('only columns that the file has: '.implode(', ', $sheet->header));
            }
            $column->object(['role', 'scenario', 'measure', 'period']);
            $columns[$name] = new ColumnRole(
                $column->must('role')->enum(Role::class),
                $column->maybe('scenario')?->enum(Scenario::class),
                $column->maybe('measure')?->string(),
                $column->maybe('period')?->string(),
            );
        }

        return $columns;
    }

    /**
     * @return array<string, MeasureRule>
     *
     * @throws NotAccepted
     */
    private static function measures(Given $given): array
    {
        $rules = [];
        foreach ($given->entries() as $name => $rule) {
            $rule->object(['unit', 'grouping', 'overMembers', 'better', 'numerator', 'denominator', 'factor']);
            $grouping = $rule->maybe('grouping')?->enum(Grouping::class);
            $isRatio = Grouping::Ratio === $grouping;
            $rules[$name] = new MeasureRule(
                unit: $rule->maybe('unit')?->string(20),
                grouping: $grouping,
                better: $rule->maybe('better')?->enum(Better::class),
                numerator: $isRatio ? $rule->must('numerator')->string() : null,
                denominator: $isRatio ? $rule->must('denominator')->string() : null,
                power: self::power($rule->maybe('factor')),
                overMembers: self::maybeOverMembers($rule->maybe('overMembers'), $grouping),
            );
        }

        return $rules;
    }

    /**
     * Of a ratio and a rate their grouping says it.
     *
     * @throws NotAccepted
     */
    private static function maybeOverMembers(?Given $given, ?Grouping $grouping): ?OverMembers
    {
        $overMembers = $given?->enum(OverMembers::class);
        if (null !== $given && \in_array($grouping, [Grouping::Ratio, Grouping::Rate], true)) {
            throw $given->refuse('it left out, as a '.$grouping->value.' has one rule for periods and members');
        }

        return $overMembers;
    }

    /**
     * @return 0|3|6|9
     *
     * @throws NotAccepted
     */
    private static function power(?Given $factor): int
    {
        return null === $factor
            ? 0
            : MeasureRule::POWERS[$factor->int(1, 1_000_000_000)] ??
                    throw $factor->refuse('1, 1000, 1000000 or 1000000000');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Period;

/** Reads the `figures` of a recipe. What it leaves out is guessed from the sheet. */
final class MappingReader
{
    public const KEYS = ['columns', 'decimal', 'dates', 'measure', 'year', 'leaveOut', 'measures', 'fiscalYearStarts'];

    public static function read(Given $given, Mapping $guess, Sheet $sheet): Mapping
    {
        $given->object(self::KEYS);
        $columns = $given->maybe('columns');

        return new Mapping(
            null === $columns ? $guess->columns : self::columns($columns, $sheet),
            $given->maybe('decimal')?->enum(NumberStyle::class) ?? $guess->decimal,
            $given->maybe('dates')?->enum(DateOrder::class) ?? $guess->dates,
            $given->maybe('measure')?->string() ?? $guess->measure,
            $given->maybe('year')?->int(Period::FIRST_YEAR, Period::LAST_YEAR) ?? $guess->year,
            array_map(static fn (Given $row): int => $row->int(1, 10_000_000), $given->maybe('leaveOut')?->list() ?? []),
            null === $given->maybe('measures') ? $guess->measures : self::measures($given->must('measures')),
            new FiscalCalendar($given->maybe('fiscalYearStarts')?->int(1, 12) ?? $guess->calendar->firstMonth),
        );
    }

    /** @return array<string, ColumnRole> */
    private static function columns(Given $given, Sheet $sheet): array
    {
        $columns = [];
        foreach ($given->entries() as $name => $column) {
            if (!\in_array($name, $sheet->header, true)) {
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

    /** @return array<string, MeasureRule> */
    private static function measures(Given $given): array
    {
        $rules = [];
        foreach ($given->entries() as $name => $rule) {
            $rule->object(['unit', 'grouping', 'better', 'numerator', 'denominator']);
            $grouping = $rule->maybe('grouping')?->enum(Grouping::class);
            $isRatio = Grouping::Ratio === $grouping;
            $rules[$name] = new MeasureRule(
                $rule->maybe('unit')?->string(20),
                $grouping,
                $rule->maybe('better')?->enum(Better::class),
                $isRatio ? $rule->must('numerator')->string() : null,
                $isRatio ? $rule->must('denominator')->string() : null,
            );
        }

        return $rules;
    }
}

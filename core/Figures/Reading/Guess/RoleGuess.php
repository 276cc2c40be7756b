<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Guess;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\BandMeaning;
use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Mapping;
use KeenMargin\Core\Figures\Reading\Mapping\MeasureRule;
use KeenMargin\Core\Figures\Reading\Mapping\PercentColumns;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\TableTitle;
use KeenMargin\Core\Figures\Reading\Text\DateOrder;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;

/**
 * Recognises the columns of a sheet, and says what it could not decide.
 */
final class RoleGuess
{
    public const DEFAULT_MEASURE = 'Amount';
    private const SAMPLE = 400;

    /**
     * @param ?string $measure what amounts count where no column says it
     * @param ?int $year for periods without one
     */
    public static function of(
        FileTable $sheet,
        ?string $measure = null,
        ?int $year = null,
        FiscalCalendar $calendar = new FiscalCalendar(),
    ): Mapping {
        $tidy = TidyLayout::maybe($sheet);
        if (null !== $tidy) {
            return $tidy;
        }
        $cells = self::cells($sheet);
        $numbers = array_values(
            array_filter($cells, static fn (string $cell): bool => null === (new PeriodReader())->maybe($cell)),
        );
        $decimal =
            NumberStyle::maybeProven($numbers) ?? ($sheet->prefersComma ? NumberStyle::Comma : NumberStyle::Point);
        $dates = DateOrder::maybeProven($cells) ?? DateOrder::DayFirst;
        $guesses = [];
        foreach ($sheet->header as $place => $name) {
            $guesses[$name] = ColumnGuess::of(
                $sheet, $place, new NumberReader($decimal), new PeriodReader($calendar, $dates, $year),
            );
        }
        $columns = BandColumns::recognised(self::settled($guesses, new PeriodReader($calendar, $dates, $year)));

        $measure ??= self::maybeLone($columns) ?? TableTitle::maybe($sheet->notes)?->measure;
        $mapping = new Mapping(
            columns: $columns,
            decimal: $decimal,
            dates: $dates,
            measure: $measure ?? self::DEFAULT_MEASURE,
            year: $year,
            leaveOut: [],
            measures: MeasureGuess::rules($sheet, $columns, $measure ?? self::DEFAULT_MEASURE),
            calendar: $calendar,
        );

        return [] === $mapping->of(Role::Band)
            ? $mapping
            : With::of($mapping, [
                'bands' => BandColumns::of($sheet, $mapping)->possible($sheet)[0] ?? BandMeaning::Limits,
            ]);
    }

    /**
     * The one measure that a column names, where the others only say their scenario: `Net revenue, Budget`.
     *
     * @param array<string, ColumnRole> $columns
     */
    private static function maybeLone(array $columns): ?string
    {
        $amounts = array_filter($columns, static fn (ColumnRole $column): bool => Role::Amount === $column->role);
        $named = array_filter($amounts, static fn (ColumnRole $column): bool => null !== $column->measure);
        $scenarios = static fn (array $of): array => array_map(
            static fn (ColumnRole $column): ?Scenario => $column->scenario,
            array_values($of),
        );
        $names = array_unique(array_map(static fn (ColumnRole $column): ?string => $column->measure, $named));
        $hasSame =
            [] !==
            array_filter(
                $scenarios(array_diff_key($amounts, $named)),
                static fn (?Scenario $scenario): bool => \in_array($scenario, $scenarios($named), true),
            );

        return 1 === \count($names) && !$hasSame ? array_values($names)[0] : null;
    }

    /** @return list<'decimal'|'dates'|'year'|'scale'|'periods'|'bands'|'percents'> what a person has to confirm */
    public static function doubts(FileTable $sheet, Mapping $mapping): array
    {
        $doubts = [];
        if (null !== TidyLayout::maybe($sheet)) {
            return $doubts;
        }
        $amounts = self::cellsOf($sheet, $mapping, Role::Amount);
        $spread = array_values(array_filter(
            array_map(static fn (ColumnRole $column): ?string => $column->period, $mapping->of(Role::Amount)),
        ));
        $periods = [...self::cellsOf($sheet, $mapping, Role::Period), ...$spread];
        if (NumberStyle::isAmbiguous($amounts)) {
            $doubts[] = 'decimal';
        }
        if (DateOrder::isAmbiguous($periods)) {
            $doubts[] = 'dates';
        }
        if ([] !== PercentColumns::mixed($sheet, $mapping)) {
            $doubts[] = 'percents';
        }
        $columns = \count($mapping->of(Role::Period)) + ([] === $spread ? 0 : 1);
        if ([] !== $periods && $columns < 2 && PeriodReader::lacksYear($periods[0])) {
            $doubts[] = 'year';
        }
        if ([] !== array_filter($mapping->measures, static fn (MeasureRule $rule): bool => $rule->power > 0)) {
            $doubts[] = 'scale';
        }
        if ([] === $periods) {
            $doubts[] = 'periods';
        }
        if (1 !== \count(BandColumns::of($sheet, $mapping)->possible($sheet)) && [] !== $mapping->of(Role::Band)) {
            $doubts[] = 'bands';
        }

        return $doubts;
    }

    /** @return list<string> */
    private static function cellsOf(FileTable $sheet, Mapping $mapping, Role $role): array
    {
        $cells = [];
        foreach (array_keys($mapping->of($role)) as $name) {
            array_push($cells, ...$sheet->column($sheet->placeOf((string) $name), self::SAMPLE));
        }

        return $cells;
    }

    /** @return list<string> */
    private static function cells(FileTable $sheet): array
    {
        $cells = [];
        foreach (array_keys($sheet->header) as $place) {
            array_push($cells, ...$sheet->column($place, self::SAMPLE));
        }

        return $cells;
    }

    /**
     * Decides what the columns can only tell together: which one is the period, and what lone amounts stand for.
     *
     * @param array<string, ColumnGuess> $guesses
     *
     * @return array<string, ColumnRole>
     */
    private static function settled(array $guesses, PeriodReader $reader): array
    {
        $columns = array_map(static fn (ColumnGuess $guess): ColumnRole => $guess->role, $guesses);
        $periods = array_map(
            strval(...),
            array_keys(array_filter($columns, static fn (ColumnRole $column): bool => Role::Period === $column->role)),
        );
        $named = array_values(
            array_filter($periods, static fn (string $name): bool => $guesses[$name]->isPeriodByName),
        );
        $amounts = array_filter($columns, static fn (ColumnRole $column): bool => Role::Amount === $column->role);
        $isSpread = [] !== array_filter($amounts, static fn (ColumnRole $column): bool => null !== $column->period);
        $lacksYear =
            $isSpread
            && [] !==
                array_filter(
                    $amounts,
                    static fn (ColumnRole $column): bool => null !== $column->period
                        && PeriodReader::lacksYear($column->period),
                );
        foreach ($periods as $name) {
            $isSecond = \count($periods) > 1 && [] !== $named && !\in_array($name, $named, true);
            // Periods stand in the header already; beside months only a column of years adds to them.
            $isOther = $isSpread && !($lacksYear && $guesses[$name]->isYears);
            if ($isSecond || $isOther) {
                $columns[$name] = new ColumnRole($guesses[$name]->isPeriodByName ? Role::Ignore : Role::Breakdown);
            }
        }
        $has = static fn (Role $role): bool => [] !==
            array_filter($columns, static fn (ColumnRole $column): bool => $role === $column->role);
        [$hasScenario, $hasMeasure] = [$has(Role::Scenario), $has(Role::Measure)];
        $years = self::yearsAmongMonths($amounts, $reader);
        foreach ($amounts as $name => $column) {
            $isGeneric = 1 === preg_match('/^(amounts?|values?|betrag|wert|figures?)$/iu', (string) $column->measure);
            $columns[$name] = new ColumnRole(
                \in_array((string) $name, $years, true) ? Role::Total : Role::Amount,
                $hasScenario ? null : $column->scenario ?? Scenario::Actual,
                $hasMeasure || $isGeneric ? null : $column->measure,
                $column->period,
            );
        }

        return $columns;
    }

    /**
     * Columns whose period is longer than that of most others: the year's total beside its months.
     *
     * @param array<string, ColumnRole> $amounts
     *
     * @return list<string>
     */
    private static function yearsAmongMonths(array $amounts, PeriodReader $reader): array
    {
        $byGrain = [];
        foreach ($amounts as $name => $column) {
            if (null !== $column->period) {
                $grain =
                    $reader->maybe($column->period)->grain ??
                    ($reader->maybe($column->period.' 2000')->grain ?? null);
                $byGrain[$grain->value ?? ''][] = (string) $name;
            }
        }
        uasort($byGrain, static fn (array $a, array $b): int => \count($b) <=> \count($a));
        $most = (string) array_key_first($byGrain);
        $years = [];
        foreach ($byGrain as $grain => $names) {
            if (
                $grain !== $most
                && '' !== $grain
                && '' !== $most
                && Grain::from((string) $grain)->groups(Grain::from($most))
            ) {
                array_push($years, ...$names);
            }
        }

        return $years;
    }
}

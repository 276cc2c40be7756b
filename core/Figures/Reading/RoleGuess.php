<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\FiscalCalendar;

/**
 * Recognises the columns of a sheet, and says what it could not decide.
 */
final class RoleGuess
{
    public const DEFAULT_MEASURE = 'Amount';
    private const SAMPLE = 400;
    private const COSTS = '/\b(costs?|expenses?|fuel|dues|fees|overheads?|cancell?ations?|delays?|kosten|aufwand)\b/iu';

    /**
     * @param ?string $measure what amounts count where no column says it
     * @param ?int    $year    for periods without one
     */
    public static function of(Sheet $sheet, ?string $measure = null, ?int $year = null, FiscalCalendar $calendar = new FiscalCalendar()): Mapping
    {
        $cells = self::cells($sheet);
        $numbers = array_values(array_filter($cells, static fn (string $cell): bool => null === (new PeriodReader())->maybe($cell)));
        $decimal = NumberStyle::maybeProven($numbers) ?? (';' === $sheet->delimiter ? NumberStyle::Comma : NumberStyle::Point);
        $dates = DateOrder::maybeProven($cells) ?? DateOrder::DayFirst;
        $guesses = [];
        foreach ($sheet->header as $place => $name) {
            $guesses[$name] = ColumnGuess::of($sheet, $place, new NumberReader($decimal), new PeriodReader($calendar, $dates, $year));
        }
        $columns = self::settled($guesses);

        return new Mapping($columns, $decimal, $dates, $measure ?? self::DEFAULT_MEASURE, $year, [], self::rules($sheet, $columns, $measure ?? self::DEFAULT_MEASURE), $calendar);
    }

    /** @return list<'decimal'|'dates'|'year'> what a person has to confirm */
    public static function doubts(Sheet $sheet, Mapping $mapping): array
    {
        $doubts = [];
        $amounts = self::cellsOf($sheet, $mapping, Role::Amount);
        $periods = self::cellsOf($sheet, $mapping, Role::Period);
        if (NumberStyle::isAmbiguous($amounts)) {
            $doubts[] = 'decimal';
        }
        if (DateOrder::isAmbiguous($periods)) {
            $doubts[] = 'dates';
        }
        if ([] !== $periods && \count($mapping->of(Role::Period)) < 2 && PeriodReader::lacksYear($periods[0])) {
            $doubts[] = 'year';
        }

        return $doubts;
    }

    /** @return list<string> */
    private static function cellsOf(Sheet $sheet, Mapping $mapping, Role $role): array
    {
        $cells = [];
        foreach (array_keys($mapping->of($role)) as $name) {
            array_push($cells, ...$sheet->column((int) array_search($name, $sheet->header, true), self::SAMPLE));
        }

        return $cells;
    }

    /** @return list<string> */
    private static function cells(Sheet $sheet): array
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
    private static function settled(array $guesses): array
    {
        $columns = array_map(static fn (ColumnGuess $guess): ColumnRole => $guess->role, $guesses);
        $periods = array_keys(array_filter($columns, static fn (ColumnRole $column): bool => Role::Period === $column->role));
        $named = array_values(array_filter($periods, static fn (string $name): bool => $guesses[$name]->isPeriodByName));
        foreach ($periods as $name) {
            if (\count($periods) > 1 && [] !== $named && !\in_array($name, $named, true)) {
                $columns[$name] = new ColumnRole(Role::Breakdown);
            }
        }
        $hasScenarioColumn = [] !== array_filter($columns, static fn (ColumnRole $column): bool => Role::Scenario === $column->role);
        $hasMeasureColumn = [] !== array_filter($columns, static fn (ColumnRole $column): bool => Role::Measure === $column->role);
        $amounts = array_filter($columns, static fn (ColumnRole $column): bool => Role::Amount === $column->role);
        foreach ($amounts as $name => $column) {
            $isGeneric = 1 === preg_match('/^(amounts?|values?|betrag|wert|figures?)$/iu', (string) $column->measure);
            $columns[$name] = new ColumnRole(
                Role::Amount,
                $hasScenarioColumn ? null : $column->scenario ?? Scenario::Actual,
                $hasMeasureColumn || $isGeneric ? null : $column->measure,
                $column->period,
            );
        }

        return $columns;
    }

    /**
     * @param array<string, ColumnRole> $columns
     *
     * @return array<string, MeasureRule>
     */
    private static function rules(Sheet $sheet, array $columns, string $measure): array
    {
        $rules = [];
        foreach ($sheet->header as $place => $name) {
            $column = $columns[$name];
            $of = $column->measure ?? $measure;
            if (Role::Amount !== $column->role || isset($rules[$of])) {
                continue;
            }
            $unit = HeaderUnit::split($name)[1] ?? HeaderUnit::maybeOfCells($sheet->column($place, 50));
            $isCost = 1 === preg_match(self::COSTS, $of);
            if (null !== $unit || $isCost) {
                $rules[$of] = new MeasureRule($unit, '%' === $unit ? Grouping::Rate : null, $isCost ? Better::Less : null);
            }
        }

        return $rules;
    }
}

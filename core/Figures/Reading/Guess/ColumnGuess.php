<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Guess;

use KeenMargin\Core\Figures\Reading\Mapping\ColumnRole;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderUnit;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\PeriodReader;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Core\Time\Grain;

/** What one column looks like, judged by its name and its cells. */
final readonly class ColumnGuess
{
    private const PERIOD_NAMES =
        '/^(month|period|date|day|week|quarter|year|half-?year|fiscal '.
        'year|monat|periode|datum|jahr|quartal|mois|année)\b/iu';
    private const MEMO_NAMES =
        '/\b(memo|note|notes|comment|comments|remark|remarks|description|bemerkung|kommentar)\b/iu';
    private const CODE_NAMES = '/\b(id|no|nr|number|code|account|konto|cost cent(er|re))\b\.?$/iu';
    private const SCENARIO_NAMES = '/^(scenario|szenario|version|type)$/iu';
    private const MEASURE_COLUMNS = '/^(measure|indicator|kennzahl)$/iu';
    /** What is computed from other columns is computed again here. */
    private const DERIVED_NAMES =
        '/^(?:Δ.*|var\.?(?:iance)?\b.*|diff\.?(?:erence)?\b.*|deviation\b.*|'.
        'abweichung.*|abw\..*|delta\b.*|ytd\b.*|.*\bytd|year to date|cumul.*|kumul.*|share of .*|% of .*)$/iu';
    private const SAMPLE = 400;
    /** Letters that remarks have on average, and the names of customers do not. */
    private const FREE_TEXT = 60;

    private function __construct(public ColumnRole $role, public bool $isPeriodByName, public bool $isYears) {}

    public static function of(FileTable $sheet, int $place, NumberReader $numbers, PeriodReader $periods): self
    {
        $name = $sheet->header[$place];
        $cells = array_values(array_filter(
            $sheet->column($place, self::SAMPLE),
            static fn (string $cell): bool => !NumberReader::isMissing($cell),
        ));
        $isPeriodName = 1 === preg_match(self::PERIOD_NAMES, $name);
        $isYears =
            self::share($cells, static fn (string $cell): bool => Grain::Year === $periods->maybe($cell)?->grain) >
            0.9;

        return new self(
            self::role(
                name: $name,
                levels: $sheet->levels[$place],
                cells: $cells,
                numbers: $numbers,
                periods: $periods,
                isPeriodName: $isPeriodName,
            ),
            $isPeriodName,
            $isYears,
        );
    }

    /**
     * @param list<string> $levels
     * @param list<string> $cells
     */
    private static function role(
        string $name,
        array $levels,
        array $cells,
        NumberReader $numbers,
        PeriodReader $periods,
        bool $isPeriodName,
    ): ColumnRole {
        if (self::isFromYearToYear($cells, $periods)) {
            return new ColumnRole(Role::Breakdown);
        }
        $numeric = self::share($cells, static fn (string $cell): bool => null !== $numbers->maybe($cell));
        $period = self::share(
            $cells,
            static fn (string $cell): bool => null !== $periods->maybe($cell)
                || PeriodReader::lacksYear($cell)
                || TotalWords::isTotal($cell),
        );
        if ($isPeriodName ? $period > 0.0 : $period >= 0.5 && $numeric < 0.5) {
            return new ColumnRole(Role::Period);
        }
        if (
            self::share($cells, static fn (string $cell): bool => null !== ScenarioWords::maybe($cell)) >=
            (1 === preg_match(self::SCENARIO_NAMES, $name) ? 0.5 : 1.0)
        ) {
            return new ColumnRole(Role::Scenario);
        }
        $isCode = 1 === preg_match(self::CODE_NAMES, $name);
        if (($numeric >= 0.5 && !$isCode) || ([] === $cells && null !== ScenarioWords::maybeWithin($name))) {
            return self::amount($levels, $periods);
        }

        return new ColumnRole(
            match (true) {
                [] === $cells, 1 === preg_match(self::MEMO_NAMES, $name), self::isFreeText($cells) => Role::Ignore,
                1 === preg_match(self::MEASURE_COLUMNS, $name) => Role::Measure,
                default => Role::Breakdown,
            },
        );
    }

    /**
     * `2025, Price, Volume, 2026`: steps of a list that leads from one year to another.
     *
     * @param list<string> $cells
     */
    private static function isFromYearToYear(array $cells, PeriodReader $periods): bool
    {
        $years = array_filter($cells, static fn (string $cell): bool => Grain::Year === $periods->maybe($cell)?->grain);

        return \count($cells) > 2 && [0, \count($cells) - 1] === array_keys($years);
    }

    /**
     * What a column of amounts says of itself in its name: scenario, period and measure, each in a part of it.
     *
     * @param list<string> $levels
     */
    private static function amount(array $levels, PeriodReader $periods): ColumnRole
    {
        $scenario = null;
        $times = $measure = [];
        foreach ($levels as $part) {
            if (1 === preg_match(self::DERIVED_NAMES, $part)) {
                return new ColumnRole(Role::Ignore);
            }
            if (TotalWords::isTotal($part)) {
                return new ColumnRole(Role::Total, $scenario, [] === $measure ? null : implode(' ', $measure));
            }
            $found = ScenarioWords::maybeWithin($part);
            $scenario ??= $found?->scenario;
            $rest = $found->rest ?? $part;
            if (null !== $periods->maybe($rest) || PeriodReader::lacksYear($rest)) {
                $times[] = $rest;
                continue;
            }
            $rest = HeaderUnit::split($rest)->name;
            if ('' !== $rest) {
                $measure[] = $rest;
            }
        }
        // A year over months: the month needs it, whichever stands above.
        usort(
            $times,
            static fn (string $a, string $b): int => (int) PeriodReader::lacksYear($b) <=>
                (int) PeriodReader::lacksYear($a),
        );

        return new ColumnRole(
            Role::Amount,
            $scenario,
            [] === $measure ? null : implode(', ', $measure),
            [] === $times ? null : implode(' ', $times),
        );
    }

    /**
     * Long texts that hardly ever come again; short ones may be the members of a large breakdown.
     *
     * @param list<string> $cells
     */
    private static function isFreeText(array $cells): bool
    {
        return \count($cells) > 40
            && \count(array_unique($cells)) > 0.8 * \count($cells)
            && array_sum(array_map(mb_strlen(...), $cells)) > self::FREE_TEXT * \count($cells);
    }

    /**
     * @param list<string> $cells
     * @param callable(string): bool $holds
     */
    private static function share(array $cells, callable $holds): float
    {
        return [] === $cells ? 0.0 : \count(array_filter($cells, $holds)) / \count($cells);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading;

/** What one column looks like, judged by its name and its cells. */
final readonly class ColumnGuess
{
    private const PERIOD_NAMES = '/^(month|period|date|day|week|quarter|year|half-?year|fiscal year|monat|periode|datum|jahr|quartal|mois|année)\b/iu';
    private const MEMO_NAMES = '/\b(memo|note|notes|comment|comments|remark|remarks|description|bemerkung|kommentar)\b/iu';
    private const CODE_NAMES = '/\b(id|no|nr|number|code|account|konto|cost cent(er|re))\b\.?$/iu';
    private const SCENARIO_NAMES = '/^(scenario|szenario|version|type)$/iu';
    private const SAMPLE = 400;

    private function __construct(public ColumnRole $role, public bool $isPeriodByName)
    {
    }

    public static function of(Sheet $sheet, int $place, NumberReader $numbers, PeriodReader $periods): self
    {
        $name = $sheet->header[$place];
        $cells = array_values(array_filter($sheet->column($place, self::SAMPLE), static fn (string $cell): bool => !NumberReader::isMissing($cell)));
        $isPeriodName = 1 === preg_match(self::PERIOD_NAMES, $name);

        return new self(self::role($name, $cells, $numbers, $periods, $isPeriodName), $isPeriodName);
    }

    /** @param list<string> $cells */
    private static function role(string $name, array $cells, NumberReader $numbers, PeriodReader $periods, bool $isPeriodName): ColumnRole
    {
        $numeric = self::share($cells, static fn (string $cell): bool => null !== $numbers->maybe($cell));
        $period = self::share($cells, static fn (string $cell): bool => null !== $periods->maybe($cell) || PeriodReader::lacksYear($cell));
        if ($period >= 0.5 && ($isPeriodName || $numeric < 0.5)) {
            return new ColumnRole(Role::Period);
        }
        if (self::share($cells, static fn (string $cell): bool => null !== ScenarioWords::maybe($cell)) >= (1 === preg_match(self::SCENARIO_NAMES, $name) ? 0.5 : 1.0)) {
            return new ColumnRole(Role::Scenario);
        }
        $isCode = 1 === preg_match(self::CODE_NAMES, $name);
        if (($numeric >= 0.5 && !$isCode) || ([] === $cells && null !== ScenarioWords::maybeWithin($name))) {
            return self::amount($name, $periods);
        }

        return new ColumnRole(match (true) {
            [] === $cells, 1 === preg_match(self::MEMO_NAMES, $name), self::isFreeText($cells) => Role::Ignore,
            1 === preg_match('/^(measure|indicator|kennzahl)$/iu', $name) => Role::Measure,
            default => Role::Breakdown,
        });
    }

    private static function amount(string $name, PeriodReader $periods): ColumnRole
    {
        $period = $periods->maybe($name);
        if (null !== $period) {
            return new ColumnRole(Role::Amount, period: $name);
        }
        [$scenario, $rest] = ScenarioWords::maybeWithin($name) ?? [null, $name];
        $rest = HeaderUnit::split($rest)[0];

        return new ColumnRole(Role::Amount, $scenario, '' === $rest ? null : $rest);
    }

    /**
     * Long texts that hardly ever come again; short ones may be the members of a large breakdown.
     *
     * @param list<string> $cells
     */
    private static function isFreeText(array $cells): bool
    {
        return \count($cells) > 40 && \count(array_unique($cells)) > 0.8 * \count($cells) && array_sum(array_map(mb_strlen(...), $cells)) > 24 * \count($cells);
    }

    /**
     * @param list<string>           $cells
     * @param callable(string): bool $holds
     */
    private static function share(array $cells, callable $holds): float
    {
        return [] === $cells ? 0.0 : \count(array_filter($cells, $holds)) / \count($cells);
    }
}

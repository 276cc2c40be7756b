<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/**
 * Random sparse figures, and questions about them, the same ones for the same seed: members that come and go, days
 * without sales, budgets on firsts of months, years that are not finished, months without anything.
 */
final class RandomLedger
{
    private const FIRST_DAYS = [
        '2019-11-04', '2020-01-01', '2020-10-05', '2023-01-01', '2023-12-18', '2024-02-05', '2025-01-01',
    ];
    private const ROUTES = ['North', 'Holm', 'Outer', 'Sound', 'Lowen', 'Skerry & "Isle"'];
    private const CLASSES = ['Foot', 'Vehicle', 'Freight'];
    private const COARSER = [
        'day' => ['day', 'week', 'month', 'quarter', 'half-year', 'year'],
        'week' => ['week', 'month', 'quarter', 'half-year', 'year'],
        'month' => ['month', 'quarter', 'half-year', 'year'],
        'quarter' => ['quarter', 'half-year', 'year'],
        'year' => ['year'],
    ];
    private const SCENARIOS = [
        'AC' => 'Actual',
        'BU' => 'Budget',
        'FC' => 'Forecast',
        'TG' => 'Target',
        'PY' => 'Prior year',
    ];

    public readonly string $grain;
    public readonly Calendar $calendar;
    public readonly Facts $facts;
    /** @var array<string, Rule> */
    public readonly array $measures;
    /** @var array<string, list<string>> */
    public readonly array $breakdowns;
    /** @var array<string, string> group by route */
    public readonly array $groups;
    /** @var array<string, string> */
    public readonly array $roles;
    public readonly string $csv;
    /** @var array<string, mixed> */
    public readonly array $mapping;
    public readonly string $kind;
    /** @var list<string> first days of all finest periods */
    private array $periods;

    public function __construct(private readonly int $seed)
    {
        mt_srand($seed);
        $this->grain = self::one([
            'day', 'day', 'day', 'week', 'week', 'month', 'month', 'month', 'month', 'quarter', 'year',
        ]);
        $this->calendar = new Calendar(self::one([1, 1, 1, 4, 7, 10]));
        $this->kind = self::one([
            'variance-tiers', 'variance-tiers', 'variance-tiers', 'nested-columns', 'target-marks', 'gap-line', 'hat',
            'hat', 'capacity-fill', 'capacity-fill',
        ]);
        $this->periods = $this->horizon();
        $this->measures = $this->rules();
        $routes = \array_slice(self::ROUTES, 0, mt_rand(1, 6));
        $classes = \array_slice(self::CLASSES, 0, mt_rand(2, 3));
        $rows = $this->rows($routes, $classes);
        $isGrouped = \count($routes) > 2 && 0 === mt_rand(0, 2);
        $seen = static fn (string $breakdown): array => array_values(
            array_unique(array_map(static fn (Fact $row): string => $row->members[$breakdown], $rows)),
        );
        $groups = $roles = [];
        foreach ($isGrouped ? $seen('Route') : [] as $route) {
            mt_rand(0, 3) > 0 && ($groups[$route] = self::one(['Inner', 'Far']));
            0 === mt_rand(0, 2) && ($roles[$route] = self::one(['adds', 'takes away', 'takes away', 'subtotal']));
        }
        [$this->groups, $this->roles] = [$groups, $roles];
        $this->breakdowns = [
            'Route' => array_values(array_unique([...$seen('Route'), ...array_values($groups)])),
            'Class' => $seen('Class'),
        ];
        $this->facts = new Facts($rows, $this->grain, $this->calendar, ['Route' => $groups]);
        [$this->csv, $columns] = $this->layout($rows);
        $this->mapping = [
            'columns' => $columns,
            'fiscalYearStarts' => $this->calendar->firstMonth,
            'totals' => 'keep',
            'decimal' => '.',
            'measures' => (object) array_map(static fn (Rule $rule): object => $rule->mapping(), $this->measures),
        ];
    }

    /** @return 'comparison'|'hat'|'capacity' the kind's family: what its rows are made of */
    public function family(): string
    {
        return match ($this->kind) {
            'hat' => 'hat',
            'capacity-fill' => 'capacity',
            default => 'comparison',
        };
    }

    /** The JSON of the recipe that asks a question. */
    public function recipe(Asked $question): string
    {
        $recipe = ['keenMargin' => 1, 'kind' => $this->kind, 'question' => (object) $question->recipe($this->calendar)];

        return json_encode($recipe, \JSON_THROW_ON_ERROR);
    }

    public function reckoning(Asked $question): Reckoning
    {
        $reckoning = new Reckoning(
            facts: $this->facts,
            measures: $this->measures,
            breakdowns: $this->breakdowns,
            roles: $this->roles,
            asked: $question,
            family: $this->family(),
        );

        return $reckoning->isNet() ? $reckoning->net() : $reckoning;
    }

    /** A random question about these figures. */
    public function question(int $number): Asked
    {
        mt_srand(7919 * $this->seed + $number);
        $by = self::one(['Route', 'Route', 'Class', ...self::COARSER[$this->grain]]);
        $by =
            'gap-line' === $this->kind && \in_array($by, ['Route', 'Class'], true)
                ? self::one(self::COARSER[$this->grain])
                : $by;
        $isOverTime = !isset($this->breakdowns[$by]);
        $scenarios = array_values(
            array_unique(array_map(static fn (Fact $row): string => $row->scenario, $this->facts->rows)),
        );
        $scenario =
            'comparison' === $this->family() && 0 === mt_rand(0, 7)
                ? self::one(array_values(array_diff($scenarios, ['FC'])))
                : 'AC';
        $between = $this->between();
        $parts =
            'capacity' === $this->family()
                ? self::one([['used', 'total'], ['used', 'unused'], ['unused', 'total'], ['used', 'unused', 'total']])
                : [];
        $against = array_values(array_diff(['BU', 'PY', 'TG'], [$scenario]));
        shuffle($against);
        $isFine = 'day' === $this->grain && \in_array($by, ['day', 'week'], true);
        $others = array_values(array_diff(['Route', 'Class'], [$by, $between['field'] ?? '']));
        // Groups in small multiples are left to the tests of panels.
        $others = [] === $this->groups ? $others : array_values(array_diff($others, ['Route']));

        return new Asked(
            by: $by,
            measure: [] === $parts ? self::one(array_keys($this->measures)) : 'Used',
            scenario: $scenario,
            forecast: \in_array('FC', $scenarios, true) && mt_rand(0, 2) > 0 ? 'FC' : null,
            against: 'hat' === $this->family() ? [] : \array_slice($against, 0, mt_rand(0, [] === $parts ? 2 : 1)),
            where: 0 === mt_rand(0, 2) ? [$this->filter()] : [],
            each: [] !== $others && 0 === mt_rand(0, 3) ? self::one($others) : null,
            top: !$isOverTime && 0 === mt_rand(0, 2) ? mt_rand(1, 3) : null,
            order: !$isOverTime && 0 === mt_rand(0, 1)
                ? self::one(['largest first', 'smallest first', 'favourable first'])
                : 'given',
            cumulate: $isOverTime && 0 === mt_rand(0, 2)
                ? ($isFine || 'week' === $by ? 'year to date' : self::one(['year to date', 'moving']))
                : null,
            between: $between,
            parts: array_intersect_key(
                ['used' => 'Used', 'unused' => 'Free', 'total' => 'Offered'], array_flip($parts),
            ),
            target: [] !== $parts && 0 === mt_rand(0, 4) ? '82.5' : null,
            better: 0 === mt_rand(0, 3) ? self::one(['more', 'less']) : null,
            flag: 0 === mt_rand(0, 3) ? self::one(['5', '12.5']) : null,
            closing: 0 === mt_rand(0, 1) ? $this->closing() : null,
            span: $this->span($isFine),
            isProRata: 'day' === $this->grain && 'comparison' === $this->family() && 0 === mt_rand(0, 2),
        );
    }

    /** @return ?array{field: string, first: string, second: string} */
    private function between(): ?array
    {
        $able = array_keys(array_filter(
            $this->breakdowns,
            fn (array $members): bool => \count(array_diff($members, $this->groups)) > 1,
        ));
        if ('hat' !== $this->family() || [] === $able) {
            return null;
        }
        $field = self::one($able);
        $members = array_values(array_diff($this->breakdowns[$field], $this->groups));

        return ['field' => $field, 'first' => $members[0], 'second' => $members[1]];
    }

    /** @return array{field: string, members: list<string>, keeps: bool} */
    private function filter(): array
    {
        $field = self::one(['Route', 'Class']);
        $members = array_values(array_diff($this->breakdowns[$field], $this->groups));
        shuffle($members);

        return [
            'field' => $field,
            'members' => \array_slice($members, 0, mt_rand(1, max(1, \count($members) - 1))),
            'keeps' => 0 === mt_rand(0, 1),
        ];
    }

    /** @return array{string, string} first day and grain; of days a month, or a day within one */
    private function closing(): array
    {
        $grain = 'day' === $this->grain ? self::one(['month', 'day']) : $this->grain;

        return [$this->calendar->group(self::one($this->periods), $this->grain, $grain), $grain];
    }

    /**
     * @param bool $isFine whether rows are days or weeks of days, which would be too many for long
     *
     * @return ?array{kind: string, from?: string, to?: string, grain?: string, count?: int}
     */
    private function span(bool $isFine): ?array
    {
        $coarser = self::COARSER[$this->grain];
        $kind = self::one([
            'last',
            'previous',
            'between',
            'between',
            ...$isFine ? [] : ['year to date', 'rest of year', null, null],
        ]);
        if ('between' !== $kind) {
            $unit =
                [
                    'last' => $isFine ? 'week' : self::one($coarser),
                    'previous' => $isFine ? 'month' : self::one($coarser),
                ][$kind ?? ''] ?? 'month';

            return null === $kind
                ? null
                : ['kind' => $kind, 'grain' => $unit, 'count' => mt_rand(1, 'last' === $kind ? 9 : 3)];
        }
        $grain = self::one($isFine ? ['week', 'month'] : $coarser);
        $ends = [
            $this->calendar->group(self::one($this->periods), $this->grain, $grain),
            $this->calendar->group(self::one($this->periods), $this->grain, $grain),
        ];
        sort($ends);

        return ['kind' => 'between', 'from' => $ends[0], 'to' => $isFine ? $ends[0] : $ends[1], 'grain' => $grain];
    }

    /** @return list<string> */
    private function horizon(): array
    {
        $count = [
            'day' => mt_rand(40, 800),
            'week' => mt_rand(4, 120),
            'month' => mt_rand(1, 40),
            'quarter' => mt_rand(1, 13),
            'year' => mt_rand(1, 4),
        ][$this->grain];
        $start = $this->calendar->start(self::one(self::FIRST_DAYS), $this->grain);
        $periods = [];
        for ($i = 0; $i < $count; ++$i, $start = $this->calendar->next($start, $this->grain)) {
            $periods[] = $start;
        }

        return $periods;
    }

    /** @return array<string, Rule> */
    private function rules(): array
    {
        if ('capacity' === $this->family()) {
            return ['Used' => new Rule(), 'Free' => new Rule(), 'Offered' => new Rule()];
        }
        $isLess = 0 === mt_rand(0, 2);
        $anyhow = self::one(['sum', 'average', 'last']);

        return match (mt_rand(0, 9)) {
            0 => ['Score' => new Rule('average', isLess: $isLess)],
            1 => ['Score' => new Rule('last', isLess: $isLess)],
            2 => ['Score' => new Rule($anyhow, 'average', isLess: $isLess)],
            3 => ['Score' => new Rule($anyhow, 'never', isLess: $isLess)],
            4 => ['Score' => new Rule('rate', isLess: $isLess)],
            5, 6 => [
                'On time' => new Rule(),
                'Sailings' => new Rule(),
                'Punctuality' => new Rule('ratio', numerator: 'On time', denominator: 'Sailings', isLess: $isLess),
            ],
            default => ['Score' => new Rule(isLess: $isLess)],
        };
    }

    /**
     * @param list<string> $routes
     * @param list<string> $classes
     *
     * @return list<Fact>
     */
    private function rows(array $routes, array $classes): array
    {
        $last = mt_rand(0, \count($this->periods) - 1);
        $most = 0 === mt_rand(0, 3) ? 14 : 60;
        $isThere = [
            'AC' => true,
            'BU' => mt_rand(0, 6) > 0,
            'FC' => mt_rand(0, 4) > 1,
            'PY' => 0 === mt_rand(0, 3),
            'TG' => 0 === mt_rand(0, 2),
        ];
        $planned = self::one(['firsts', 'firsts', 'lasts', 'daily']);
        // At least one actual, and of days one that is neither a first nor a last of a month, else they would be
        // months.
        $rows = $this->facts(
            'AC',
            'day' === $this->grain ? substr($this->periods[0], 0, 8).'15' : $this->periods[0],
            $routes[0],
            $classes[0],
            true,
        );
        foreach (array_keys(array_filter($isThere)) as $scenario) {
            $among = match ($scenario) {
                'AC' => \array_slice($this->periods, 0, 1 + $last),
                'FC' => \array_slice($this->periods, max(0, $last - mt_rand(0, 2))),
                default => $this->periods,
            };
            // Some periods have nothing at all.
            $among = array_values(array_filter($among, static fn (): bool => mt_rand(0, 7) > 0)) ?: $among;
            for ($i = mt_rand(1, $most); $i > 0; --$i) {
                $start = self::one($among);
                if ('AC' !== $scenario && 'day' === $this->grain && 'daily' !== $planned) {
                    $month = $this->calendar->start($start, 'month');
                    $start = 'firsts' === $planned ? $month : $this->calendar->end($month, 'month');
                }
                $rows = array_replace(
                    $rows, $this->facts($scenario, $start, self::one($routes), self::one($classes), false),
                );
            }
        }

        return array_values($rows);
    }

    /** @return array<string, Fact> of all measures, or of most of them, by key */
    private function facts(string $scenario, string $start, string $route, string $class, bool $all): array
    {
        $facts = [];
        $isNoRatio = static fn (Rule $rule): bool => 'ratio' !== $rule->grouping;
        $counted = array_keys(array_filter($this->measures, $isNoRatio));
        foreach ($counted as $measure) {
            if ($all || mt_rand(0, 9) < 8) {
                $facts["$measure $scenario $start $route $class"] = new Fact(
                    $measure, $scenario, $start, ['Route' => $route, 'Class' => $class], self::amount(),
                );
            }
        }

        return $facts;
    }

    private static function amount(): string
    {
        return 0 === mt_rand(0, 30)
            ? '0'
            : number_format(mt_rand(-2000, 9000) / 10 ** mt_rand(0, 2), mt_rand(0, 2), '.', '');
    }

    /**
     * The same figures as one of two tables: a row for each amount, or a column for each scenario.
     *
     * @param list<Fact> $rows
     *
     * @return array{string, array<string, array<string, string>>} the table, and its columns
     */
    private function layout(array $rows): array
    {
        $breakdowns = ['Route' => ['role' => 'breakdown'], 'Class' => ['role' => 'breakdown']];
        $head = ['When' => ['role' => 'period'], 'Measure' => ['role' => 'measure']] + $breakdowns;
        if (0 === mt_rand(0, 1)) {
            $lines = array_map(fn (Fact $row): string => "{$this->key($row)},$row->scenario,$row->amount", $rows);

            return [
                "When,Measure,Route,Class,Scenario,Amount\n".implode("\n", $lines)."\n",
                $head + ['Scenario' => ['role' => 'scenario'], 'Amount' => ['role' => 'amount']],
            ];
        }
        $lines = [];
        foreach ($rows as $row) {
            $lines[$this->key($row)] ??= array_fill_keys(array_keys(self::SCENARIOS), '');
            $lines[$this->key($row)][$row->scenario] = $row->amount;
        }
        $wide = array_map(
            static fn (string $key, array $amounts): string => $key.','.implode(',', $amounts),
            array_keys($lines),
            $lines,
        );
        $columns = array_map(
            static fn (string $code): array => ['role' => 'amount', 'scenario' => $code],
            array_flip(self::SCENARIOS),
        );

        return [
            'When,Measure,Route,Class,'.implode(',', self::SCENARIOS)."\n".implode("\n", $wide)."\n", $head + $columns,
        ];
    }

    private function key(Fact $row): string
    {
        $route = '"'.str_replace('"', '""', $row->members['Route']).'"';

        return implode(',', [
            $this->calendar->key($row->start, $this->grain), $row->measure, $route, $row->members['Class'],
        ]);
    }

    /**
     * @template T
     *
     * @param list<T> $of
     *
     * @return T
     */
    private static function one(array $of): mixed
    {
        return $of[mt_rand(0, \count($of) - 1)];
    }
}

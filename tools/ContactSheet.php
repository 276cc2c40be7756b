<?php

declare(strict_types=1);

namespace KeenMargin\Tools;

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;

/**
 * Every kind with ordinary, negative, missing and few figures, many rows, long names and little room. Made-up figures,
 * the same ones each time.
 */
final class ContactSheet
{
    private const ROUTES = ['North', 'Holm', 'Outer', 'Sound'];
    private const LONG = [
        'Northern archipelago with all of its landing stages, summer service and freight', 'Holm and the two skerries',
        'The outer islands as far as the lighthouse, weather permitting, once every day', 'Sound',
    ];
    private const BASIC = ['measure' => 'Used', 'forecast' => 'FC', 'flag' => ['percent' => '8']];
    private const BY_ROUTE = ['by' => 'Route', 'span' => 'year to date'];
    private const MAPPING = [
        'columns' => [
            'Month' => ['role' => 'period'],
            'Route' => ['role' => 'breakdown'],
            'Class' => ['role' => 'breakdown'],
            'Measure' => ['role' => 'measure'],
            'Actual' => ['role' => 'amount', 'scenario' => 'AC'],
            'Budget' => ['role' => 'amount', 'scenario' => 'BU'],
            'Forecast' => ['role' => 'amount', 'scenario' => 'FC'],
            'Prior year' => ['role' => 'amount', 'scenario' => 'PY'],
            'Target' => ['role' => 'amount', 'scenario' => 'TG'],
        ],
        'measures' => ['Used' => ['unit' => 'm'], 'Offered' => ['unit' => 'm']],
    ];
    private const KINDS = [
        'variance-tiers' => [...self::BASIC, 'against' => ['BU', 'PY']],
        'nested-columns' => [...self::BASIC, 'against' => ['BU']],
        'target-marks' => [...self::BASIC, 'against' => ['TG']],
        'gap-line' => [...self::BASIC, 'against' => ['BU']],
        'hat' => [...self::BASIC, 'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle']],
        'capacity-fill' => [...self::BASIC, 'used' => 'Used', 'total' => 'Offered', 'against' => ['TG']],
        'build-up' => [...self::BASIC, 'subtotals' => 'quarter'],
        'bridge' => [...self::BASIC, 'bridge' => ['from' => 'BU', 'to' => 'AC']],
        'bullet' => [
            ...self::BASIC,
            'by' => 'month',
            'target' => ['scenario' => 'TG'],
            'bands' => ['percentOfTarget' => ['85', '95', '110']],
        ],
        'gauge' => [
            ...self::BASIC,
            'by' => 'quarter',
            'target' => ['scenario' => 'TG'],
            'bands' => ['percentOfTarget' => ['85', '95', '110']],
        ],
        'thermometer' => [...self::BASIC, 'by' => 'quarter', 'goal' => ['scenario' => 'BU']],
        'progress' => [...self::BASIC, 'by' => 'month', 'goal' => ['scenario' => 'BU']],
        'comparison-table' => [...self::BASIC, 'by' => 'month', 'against' => ['BU', 'PY']],
        'statement' => ['measure' => 'Used', 'against' => ['BU', 'PY'], 'by' => 'Route', 'span' => 'year to date'],
    ];
    /** Which figures, what is asked besides, the looks. */
    private const CASES = [
        'ordinary' => ['ordinary', [], ['width' => 640]],
        'by structure' => ['ordinary', self::BY_ROUTE, ['width' => 640]],
        'negative' => ['negative', [], ['width' => 640]],
        'missing' => ['missing', [], ['width' => 640]],
        'one row' => ['one row', ['forecast' => null], ['width' => 640]],
        'sixty rows' => ['sixty rows', [], ['width' => 1320]],
        'long names' => ['long names', self::BY_ROUTE, ['width' => 640]],
        '360 wide' => ['ordinary', [], ['width' => 360]],
        '360 wide, long names' => ['long names', self::BY_ROUTE, ['width' => 360]],
        'turned' => ['ordinary', [], ['width' => 640, 'turn' => true, 'highlight' => ['2026-03']]],
        'one for each' => ['ordinary', ['each' => 'Route'], ['width' => 1320]],
    ];

    /** Figures of a year, closed through August; `long names`, `missing` and others likewise. */
    public static function table(string $name = 'ordinary'): FactTable
    {
        return self::read(self::figures()[$name]);
    }

    /** @return \Generator<int, ContactCase> kind by kind */
    public static function cases(): \Generator
    {
        $tables = array_map(self::read(...), self::figures());
        foreach (self::KINDS as $kind => $question) {
            foreach (self::CASES as $case => [$table, $asked, $finish]) {
                yield self::made($kind, $case, [...$question, ...self::asked($kind, $asked)], $finish, $tables[$table]);
            }
        }
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     */
    private static function made(
        string $kind,
        string $case,
        array $question,
        array $finish,
        FactTable $figures,
    ): ContactCase {
        $recipe = ['keenMargin' => 1, 'question' => array_filter($question), 'kind' => $kind, 'finish' => $finish];
        try {
            $drawing = Drawing::of(
                RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all()),
                'statement' === $kind ? self::stated($figures) : $figures,
                ChartKinds::all(),
            );

            return new ContactCase($kind, $case, $drawing, '');
        } catch (NotAccepted $e) {
            return new ContactCase($kind, $case, null, $e->getMessage());
        }
    }

    /**
     * What a case asks of a kind that it does not suit.
     *
     * @param array<string, mixed> $asked
     *
     * @return array<string, mixed>
     */
    private static function asked(string $kind, array $asked): array
    {
        return match (true) {
            'statement' === $kind => isset($asked['each']) ? ['each' => 'Class'] : [],
            'gap-line' === $kind => array_diff_key($asked, ['by' => 1]),
            'build-up' === $kind && isset($asked['by']) => [...$asked, 'subtotals' => null],
            default => $asked,
        };
    }

    /** The same figures as a statement: the last two routes are costs. */
    private static function stated(FactTable $table): FactTable
    {
        $dataset = $table->dataset();
        $breakdowns = array_map(
            static fn (Breakdown $one): Breakdown => 'Route' === $one->name
                ? new Breakdown($one->name, $one->members, [], self::roles($one->members))
                : $one,
            $dataset->breakdowns,
        );

        return new FactTable(
            With::of($dataset, ['breakdowns' => $breakdowns]), $table->series, $table->packed, $table->sums([], []),
        );
    }

    /**
     * @param list<string> $members
     *
     * @return array<string, LineRole>
     */
    private static function roles(array $members): array
    {
        $roles = [];
        foreach ($members as $i => $member) {
            $roles[$member] = $i < 2 ? LineRole::Adds : LineRole::TakesAway;
        }

        return $roles;
    }

    private static function read(string $csv): FactTable
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'kinds');
        file_put_contents($path, $csv);
        $sheet = FigureFile::open($path)->sheet();
        $given = Given::json(json_encode(self::MAPPING, \JSON_THROW_ON_ERROR));
        $mapping = MappingReader::read($given, RoleGuess::of($sheet, null, 2026), $sheet);
        $table = FactReader::read($sheet, $mapping, 'Brackwater Ferries');
        unlink($path);

        return $table;
    }

    /** @return array<string, string> CSV by the name of the figures */
    private static function figures(): array
    {
        return [
            'ordinary' => self::rows(12, self::ROUTES, self::wave(7)),
            'negative' => self::rows(12, self::ROUTES, self::negative(...)),
            'missing' => self::rows(12, self::ROUTES, self::missing(...)),
            'one row' => self::rows(1, ['North'], self::wave(0)),
            'sixty rows' => self::rows(60, self::ROUTES, self::wave(52)),
            'long names' => self::rows(12, self::LONG, self::wave(7)),
        ];
    }

    /**
     * @param list<string> $routes
     * @param callable(string, int, int, int, string): ?int $amount of a scenario, month from 0, route, class, measure
     */
    private static function rows(int $months, array $routes, callable $amount): string
    {
        $csv = "Month,Route,Class,Measure,Actual,Budget,Forecast,Prior year,Target\n";
        for ($month = 0; $month < $months; ++$month) {
            $year = 2022 + intdiv($month + 48, 12) - intdiv($months, 13);
            $name = \sprintf('%d-%02d', $year, ($month % 12) + 1);
            foreach ($routes as $i => $route) {
                foreach (['Foot', 'Vehicle'] as $j => $class) {
                    foreach (['Used', 'Offered'] as $measure) {
                        $cells = array_map(
                            static fn (string $scenario): ?int => $amount($scenario, $month, $i, $j, $measure),
                            ['AC', 'BU', 'FC', 'PY', 'TG'],
                        );
                        $head = [$name, '"'.$route.'"', $class, $measure];
                        $csv .= implode(',', [...$head, ...array_map(strval(...), $cells)])."\n";
                    }
                }
            }
        }

        return $csv;
    }

    private static function negative(string $scenario, int $month, int $i, int $j, string $measure): ?int
    {
        $amount = self::wave(7)($scenario, $month, $i, $j, $measure);
        $isPositive = 2 === $month % 5 || 'Offered' === $measure;

        return null === $amount ? null : ($isPositive ? 1 : -1) * $amount;
    }

    private static function missing(string $scenario, int $month, int $i, int $j, string $measure): ?int
    {
        $isMissing =
            (3 === $month && \in_array($scenario, ['AC', 'TG'], true))
            || (5 === $month && 'BU' === $scenario)
            || 9 === $month;
        $isNought = 1 === $month && \in_array($scenario, ['BU', 'TG'], true);

        return $isMissing ? null : ($isNought ? 0 : self::wave(7)($scenario, $month, $i, $j, $measure));
    }

    /**
     * A season with some noise: actuals up to a month, forecasts after it.
     *
     * @return \Closure(string, int, int, int, string): ?int
     */
    private static function wave(int $closed): \Closure
    {
        return static fn (string $scenario, int $month, int $i, int $j, string $measure): ?int => match (true) {
            'AC' === $scenario && $month > $closed, 'FC' === $scenario && $month <= $closed => null,
            default => self::amount($scenario, $month, $i, $j, $measure),
        };
    }

    private static function amount(string $scenario, int $month, int $i, int $j, string $measure): int
    {
        $season = 1.0 + 0.55 * sin(((($month % 12) - 3) * \M_PI) / 6) + 0.02 * intdiv($month, 12);
        $noise = 1.0 + ((($month * 37 + $i * 17 + $j * 11 + \ord($scenario[0]) * 7) % 23) - 11) / 90;
        $size = [52000, 31000, 17000, 8000][$i] * [1.0, 0.6][$j];
        $share = ['AC' => 1.0, 'BU' => 1.01, 'FC' => 1.0, 'PY' => 0.95, 'TG' => 1.04][$scenario] ?? 1.0;

        return (int) round(
            'Offered' === $measure ? $size * 1.25 * (0.8 + 0.3 * $season) : $size * $season * $noise * $share,
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

/** Figures by day whose last month is not over, and whose first one began before its figures did. */
final class OpenMonthExamples
{
    /** @return iterable<string, array{Example}> */
    public static function all(): iterable
    {
        foreach ([...self::cut(), ...self::proRata(), ...self::forecasts(), ...self::beginnings()] as $name => $one) {
            yield $name => [$one];
        }
    }

    /**
     * The same amount on each day of January 2026, `2026-01-01,AC,10 2026-01-02,AC,10 …`.
     *
     * @param int $to the last day
     */
    private static function january(string $scenario, int $from, int $to, string $amount): string
    {
        return implode(
            ' ',
            array_map(
                static fn (int $day): string => \sprintf('2026-01-%02d,%s,%s', $day, $scenario, $amount),
                range($from, $to),
            ),
        );
    }

    /** @param list<string> $days of several scenarios */
    private static function csv(array $days): string
    {
        return 'Day,Scenario,Amount '.implode(' ', $days);
    }

    /** @return array<string, Example> */
    private static function cut(): array
    {
        $byDay = self::csv([self::january('AC', 1, 10, '10'), self::january('BU', 1, 31, '12')]);
        $byMonth = self::csv([self::january('AC', 1, 10, '10'), '2026-01-31,BU,310 2025-12-10,AC,50 2025-12-31,BU,60']);

        return [
            'a budget by day is cut at the day of the last actual' => new Example(
                $byDay,
                ['by' => 'month', 'against' => ['BU']],
                [
                    '2026-01: AC 100, BU 372; BU -20 1–10 Jan only', '= total 100; BU -20',
                    '- 11–31 Jan: budget only, so not compared',
                    '"Amount in 1–10 Jan 2026: 100, 20 (16.7 %) below budget."',
                ],
            ),
            'also where an earlier day is closed' => new Example(
                $byDay,
                ['by' => 'month', 'against' => ['BU'], 'closedThrough' => '2026-01-05'],
                ['2026-01: AC 50, BU 372; BU -10 1–5 Jan only'],
            ),
            'a month said to be over too early is compared as a whole, and told' => new Example(
                $byDay,
                ['by' => 'month', 'against' => ['BU'], 'closedThrough' => '2026-01'],
                ['2026-01: AC 100, BU 372; BU -272', '- January has actuals to the 10th only'],
            ),
            'an actual of one of the last four days ends its month' => new Example(
                self::csv([self::january('AC', 1, 28, '10'), self::january('BU', 1, 31, '10')]),
                ['by' => 'month', 'against' => ['BU']],
                ['2026-01: AC 280, BU 310; BU -30'],
            ),
            'a budget by month is not compared' => new Example(
                $byMonth,
                ['by' => 'month', 'against' => ['BU']],
                [
                    '2025-12: AC 50, BU 60; BU -10', '2026-01: AC 100, BU 310; BU –', '= total 150; BU -10',
                    '- January is not over; the budget is by month, so it is not compared',
                ],
            ),
            'nor by the steps of a bridge' => new Example(
                $byMonth,
                ['by' => 'month', 'bridge' => ['from' => 'BU', 'to' => 'AC']],
                ['- January is not over; the budget is by month, so it is not compared'],
                'bridge',
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function proRata(): array
    {
        $byMonth = self::csv([self::january('AC', 1, 10, '10'), '2026-01-31,BU,310 2025-12-10,AC,50 2025-12-31,BU,60']);

        return [
            'a budget by month is taken by the days that have passed' => new Example(
                $byMonth,
                ['by' => 'month', 'against' => ['BU'], 'proRata' => true],
                [
                    '2025-12: AC 50, BU 60; BU -10', '2026-01: AC 100, BU 100; BU 0', '= total 150; BU -10',
                    '+ Budget of January is taken pro rata: 10 of 31 days',
                ],
            ),
            'to the last digit' => new Example(
                self::csv([self::january('AC', 1, 10, '10'), '2026-01-01,BU,100']),
                ['by' => 'month', 'against' => ['BU'], 'proRata' => true],
                ['2026-01: AC 100, BU 32.258065; BU 67.741935'],
            ),
            'a budget by day is cut all the same' => new Example(
                self::csv([self::january('AC', 1, 10, '10'), self::january('BU', 1, 31, '12')]),
                ['by' => 'month', 'against' => ['BU'], 'proRata' => true],
                ['2026-01: AC 100, BU 372; BU -20 1–10 Jan only'],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function forecasts(): array
    {
        return [
            'a forecast goes on after the closing day' => new Example(
                self::csv([self::january('AC', 1, 10, '10'), self::january('FC', 11, 31, '5')]),
                ['by' => 'month', 'forecast' => 'FC', 'span' => ['from' => '2026-01', 'to' => '2026-01']],
                ['= landing 205'],
            ),
        ];
    }

    /** @return array<string, Example> */
    private static function beginnings(): array
    {
        return [
            'a first actual on the 2nd counts from the 1st' => new Example(
                'Day,Amount 2025-01-02,10 2025-01-31,20 2026-01-01,12 2026-01-31,28',
                ['by' => 'month', 'against' => ['PY'], 'span' => ['from' => '2026', 'to' => '2026']],
                ['2026-01: AC 40, PY 30; PY 10', '= total 40; PY 10'],
            ),
        ];
    }
}

<?php

declare(strict_types=1);

/*
 * Makes the demo figures of Brackwater Ferries, a made-up operator. The seed is fixed: the same files every time.
 *
 *     php demo/make.php
 *
 * Bookings come first; fares, net revenue and the statement follow from them, so that all files tie.
 */

mt_srand(20_260_831);

const FIRST = 2024 * 12;
const LAST = 2026 * 12 + 11;
const CLOSED = 2026 * 12 + 7;
const FORECAST_FROM = 2026 * 12 + 6;
const SEASON = [0.52, 0.54, 0.6, 0.78, 0.9, 1.1, 1.36, 1.34, 0.99, 0.77, 0.57, 0.63];

/** Route => share of traffic, crossing in nautical miles, sailings a month, vessel class. */
const ROUTES = [
    'North' => [1.0, 14, 260, 'Large vessel'],
    'Holm' => [0.72, 9, 300, 'Large vessel'],
    'Sound' => [0.58, 6, 380, 'Small vessel'],
    'Skerry' => [0.34, 11, 170, 'Small vessel'],
    'Lowen' => [0.27, 18, 110, 'Large vessel'],
    'Outer' => [0.13, 31, 70, 'Small vessel'],
];

/** Class => bookings a month on a route of share 1 in an average month, price in EUR in January 2024. */
const CLASSES = [
    'Foot passengers' => [9200, 7.4],
    'Bicycles' => [780, 4.9],
    'Cars' => [2100, 31.5],
    'Vans and lorries' => [260, 118.0],
];
const REVENUE_LINES = [
    'Foot passengers' => 'Passenger fares',
    'Bicycles' => 'Passenger fares',
    'Cars' => 'Vehicle fares',
    'Vans and lorries' => 'Freight',
];
const SCENARIOS = ['Actual', 'Budget', 'Forecast'];

/** A factor around 1 with the given spread. */
function wobble(float $spread): float
{
    return 1 + $spread * ((mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000)) / 1500 - 1);
}

function covers(string $scenario, int $month): bool
{
    return match ($scenario) {
        'Actual' => $month <= CLOSED,
        'Budget' => true,
        'Forecast' => $month >= FORECAST_FROM,
    };
}

/** What happened, beyond the season. Budgets know of none of it; forecasts of what was known by July 2026. */
function traffic(string $scenario, string $route, int $month): float
{
    $year = intdiv($month, 12);
    $growth = 1 + (0.034 * ($month - FIRST)) / 12;
    if ('Budget' === $scenario) {
        return $growth * (2026 === $year ? 0.984 : 1.0) * wobble(0.012);
    }
    $factor = $growth * wobble('Forecast' === $scenario ? 0.012 : 0.045);
    if (2026 * 12 + 5 === $month) {
        $factor *= 'North' === $route ? 0.8 : ('Holm' === $route ? 1.03 : 1.0);
    }
    if (2026 * 12 + 6 === $month) {
        $factor *= in_array($route, ['Holm', 'Skerry'], true) ? 1.17 : 1.03;
    }
    if (2026 * 12 + 7 === $month) {
        $factor *= in_array($route, ['Holm', 'Skerry'], true) ? 0.88 : 0.99;
    }
    if ($month >= 2025 * 12 + 10 && 'Outer' === $route) {
        $factor *= 0.86;
    }

    return $factor;
}

/** EUR a nautical mile sailed; the price of fuel jumped in March 2026. */
function fuelPrice(string $scenario, int $month): float
{
    $jump = 'Budget' !== $scenario && $month >= 2026 * 12 + 2 ? 1.19 : 1.0;

    return 11.4 * (1 + (0.02 * ($month - FIRST)) / 12) * $jump * wobble('Budget' === $scenario ? 0.01 : 0.03);
}

function name(int $month): string
{
    return sprintf('%d-%02d', intdiv($month, 12), ($month % 12) + 1);
}

/** @param list<list<string|int>> $rows */
function table(string $file, array $rows): void
{
    $lines = array_map(static fn (array $row): string => implode(',', $row), $rows);
    file_put_contents(__DIR__.'/'.$file, implode("\n", $lines)."\n");
    echo str_pad($file, 28), count($rows) - 1, " rows\n";
}

$bookings = [['Month', 'Scenario', 'Route', 'Vehicle class', 'Bookings', 'Price (EUR)', 'Revenue (EUR)']];
$lines = [];
$sailings = [];
for ($month = FIRST; $month <= LAST; ++$month) {
    foreach (ROUTES as $route => [$share, $miles, $perMonth]) {
        foreach (SCENARIOS as $scenario) {
            if (!covers($scenario, $month)) {
                continue;
            }
            $traffic = traffic($scenario, $route, $month);
            $riders = 0;
            foreach (CLASSES as $class => [$base, $price]) {
                $season = 'Vans and lorries' === $class ? 0.6 + 0.4 * SEASON[$month % 12] : SEASON[$month % 12];
                $count = (int) round(
                    $base * $share * $season * $traffic * wobble('Actual' === $scenario ? 0.02 : 0.004),
                );
                $cents = (int) round(100 * $price * (1 + 0.012 * $miles) * (1 + 0.028 * intdiv($month - FIRST, 12)));
                $riders += 'Vans and lorries' === $class ? $count : $count * ('Cars' === $class ? 2 : 1);
                $bookings[] = [
                    name($month),
                    $scenario,
                    $route,
                    $class,
                    $count,
                    sprintf('%.2f', $cents / 100),
                    intdiv($count * $cents, 100),
                ];
                $lines[$month][$scenario][$route][REVENUE_LINES[$class]] =
                    ($lines[$month][$scenario][$route][REVENUE_LINES[$class]] ?? 0) + intdiv($count * $cents, 100);
            }
            $lines[$month][$scenario][$route]['Onboard sales'] = (int) round($riders * 1.18 * wobble(0.05));
            $sailed =
                (int) round($perMonth * (0.82 + 0.24 * SEASON[$month % 12])) -
                ('Actual' === $scenario && 'North' === $route && 2026 * 12 + 5 === $month ? 9 : 0);
            $sailings[$month][$scenario][$route] = $sailed;
            $lines[$month][$scenario][$route] += [
                'Fuel' => (int) round(
                    fuelPrice($scenario, $month) *
                        $miles *
                        $sailed *
                        ('Large vessel' === ROUTES[$route][3] ? 1.25 : 0.7),
                ),
                'Crew' => (int) round(
                    $perMonth *
                        (88 + 4.9 * $miles) *
                        (0.82 + 0.2 * SEASON[$month % 12]) *
                        (1 + 0.03 * intdiv($month - FIRST, 12)) *
                        wobble('Actual' === $scenario ? 0.07 : 0.004),
                ) + ('Actual' === $scenario && 'North' === $route && 2026 * 12 + 5 === $month ? 9_800 : 0),
                'Upkeep' => (int) round($perMonth * 41 * wobble('Actual' === $scenario ? 0.12 : 0.02)) +
                    ('Actual' === $scenario
                && 'North' === $route
                && in_array($month, [2026 * 12 + 5, 2026 * 12 + 6], true)
                    ? 18_500
                    : 0),
                'Harbour dues' => (int) round($sailed * 38.5),
                'Overheads' => (int) round(9_400 * (0.4 + $share) * wobble(0.015)),
            ];
        }
    }
}
table('bookings.csv', $bookings);

$revenue = [['Month', 'Route', 'Actual', 'Budget', 'Forecast']];
$statement = [['Month', 'Scenario', 'Line', 'Route', 'Amount (EUR)']];
foreach ($lines as $month => $scenarios) {
    foreach (array_keys(ROUTES) as $route) {
        $net = [];
        foreach (SCENARIOS as $scenario) {
            $own = $scenarios[$scenario][$route] ?? null;
            $net[] =
                null === $own
                    ? ''
                    : $own['Passenger fares'] + $own['Vehicle fares'] + $own['Freight'] + $own['Onboard sales'];
            foreach ($own ?? [] as $line => $amount) {
                $statement[] = [name($month), $scenario, $line, $route, $amount];
            }
        }
        $revenue[] = [name($month), $route, ...$net];
    }
}
table('net-revenue.csv', $revenue);
table('operating-statement.csv', $statement);

$result = [['Month', 'Route', 'Actual', 'Budget', 'Forecast']];
foreach ($lines as $month => $scenarios) {
    foreach (array_keys(ROUTES) as $route) {
        $amounts = array_map(static function (string $scenario) use ($scenarios, $route): string|int {
            $own = $scenarios[$scenario][$route] ?? null;
            $income = ['Passenger fares', 'Vehicle fares', 'Freight', 'Onboard sales'];

            return null === $own
                ? ''
                : array_sum(array_map(
                    static fn (string $line): int => in_array($line, $income, true) ? $own[$line] : -$own[$line],
                    array_keys($own),
                ));
        }, SCENARIOS);
        $result[] = [name($month), $route, ...$amounts];
    }
}
table('operating-result.csv', $result);

$fuel = [['Month', 'Route', 'Actual', 'Budget', 'Forecast']];
foreach ($lines as $month => $scenarios) {
    foreach (array_keys(ROUTES) as $route) {
        $fuel[] = [
            name($month),
            $route,
            ...array_map(
                static fn (string $scenario): string|int => $scenarios[$scenario][$route]['Fuel'] ?? '',
                SCENARIOS,
            ),
        ];
    }
}
table('fuel-cost.csv', $fuel);

$deck = [['Month', 'Route', 'Vessel class', 'Lane metres offered', 'Lane metres used', 'Lane metres used target']];
$punctuality = [['Month', 'Scenario', 'Route', 'On time', 'Sailings', 'Cancelled']];
for ($month = FIRST; $month <= CLOSED; ++$month) {
    foreach (ROUTES as $route => [$share, $miles, $perMonth, $class]) {
        $sailed = $sailings[$month]['Actual'][$route];
        $offered = $sailed * ('Large vessel' === $class ? 420 : 190);
        $use = min(0.985, (0.44 + 0.36 * SEASON[$month % 12]) * ('Outer' === $route ? 0.7 : 1.0) * wobble(0.06));
        $deck[] = [name($month), $route, $class, $offered, (int) round($offered * $use), (int) round($offered * 0.85)];
        $winter = in_array($month % 12, [0, 1, 10, 11], true);
        $cancelled =
            (int) round($perMonth * ($winter ? 0.031 : 0.008) * wobble(0.5)) +
            (2026 * 12 + 5 === $month && 'North' === $route ? 9 : 0);
        $late = (int) round($sailed * ($winter ? 0.11 : 0.055) * (0.6 + $miles / 30) * wobble(0.4));
        $punctuality[] = [name($month), 'Actual', $route, $sailed - $late, $sailed, $cancelled];
        $punctuality[] = [
            name($month), 'Target', $route, (int) round($sailed * 0.94), $sailed, (int) round($perMonth * 0.012),
        ];
    }
}
table('deck-space.csv', $deck);
table('punctuality.csv', $punctuality);

$reserve = [['Date', 'Contribution (EUR)', 'Source']];
for ($month = 2024 * 12; $month <= CLOSED; ++$month) {
    $reserve[] = [name($month).'-28', 36_000 + 500 * mt_rand(0, 12), 'Monthly transfer'];
    if (5 === $month % 12) {
        $reserve[] = [name($month).'-30', 60_000 + 1_000 * mt_rand(0, 20), 'Sale of old parts'];
    }
}
table('reserve.csv', $reserve);

// Customers come and go, and not every one was budgeted or shipped anything each month. A seed of its own: the others
// stay as they are.
mt_srand(20_260_901);

/**
 * Customer => usual freight a month in EUR, share of months with freight, first and last month, whether it was
 * budgeted.
 */
const CUSTOMERS = [
    'Aldwick Foods' => [21_000, 1.0, FIRST + 12, LAST, true],
    'Sound Builders' => [14_500, 0.9, FIRST + 12, LAST, true],
    'Corran Distillers' => [9_800, 0.7, FIRST + 12, LAST, true],
    'Northern Post' => [7_600, 1.0, FIRST + 12, LAST, true],
    'Ketter Timber' => [6_400, 0.6, FIRST + 12, 2025 * 12 + 9, true],
    'Lowen Dairy' => [5_100, 0.8, FIRST + 12, LAST, true],
    'Skerry Shellfish' => [3_900, 0.5, FIRST + 12, LAST, false],
    'Halvik Wind' => [26_000, 0.4, 2026 * 12 + 3, LAST, false],
    'Outer Co-op' => [1_700, 0.6, FIRST + 12, LAST, true],
];
$freight = [['Month', 'Customer', 'Scenario', 'Freight (EUR)']];
foreach (range(FIRST + 12, LAST) as $month) {
    foreach (CUSTOMERS as $customer => [$usual, $often, $first, $last, $isBudgeted]) {
        $season = 0.75 + 0.25 * SEASON[$month % 12];
        $isThere = $month >= $first && $month <= min($last, CLOSED) && mt_rand(1, 100) <= 100 * $often;
        if ($isThere) {
            $freight[] = [name($month), $customer, 'Actual', (int) round($usual * $season * wobble(0.25))];
        }
        // Freight is budgeted through the third quarter only.
        if ($isBudgeted && $month >= 2026 * 12 && $month <= 2026 * 12 + 8) {
            $freight[] = [name($month), $customer, 'Budget', (int) round($usual * $often * $season, -2)];
        }
    }
}
table('freight-customers.csv', $freight);

/** Goal => done in each month of 2026 to date, what was planned for each month of the year. */
const GOALS = [
    'Safety training' => [[6, 6, 5, 7, 6, 4, 5, 7], [5, 5, 5, 5, 4, 3, 3, 4, 4, 4, 4, 4]],
    'Hull surveys' => [[1, 1, 1, 1, 0, 0, 1, 1], [1, 1, 1, 1, 1, 0, 0, 1, 1, 1, 1, 1]],
    'Season passes' => [
        [210, 380, 690, 940, 1_120, 880, 720, 460], [200, 350, 600, 800, 950, 800, 600, 300, 200, 100, 60, 40],
    ],
    'Berth repairs' => [[0, 0, 1, 0, 0, 0, 1, 0], [0, 0, 1, 1, 1, 1, 0, 0, 1, 1, 1, 1]],
    'Quiet engines' => [[0, 0, 0, 1, 0, 0, 0, 1], [0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1]],
];
$goals = [['Month', 'Goal', 'Scenario', 'Done']];
foreach (GOALS as $goal => [$done, $planned]) {
    foreach ($done as $i => $count) {
        $goals[] = [name(2026 * 12 + $i), $goal, 'Actual', $count];
    }
    foreach ($planned as $i => $count) {
        $goals[] = [name(2026 * 12 + $i), $goal, 'Target', $count];
    }
}
table('year-goals.csv', $goals);

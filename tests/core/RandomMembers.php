<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core;

/**
 * Random figures by month, route and class, used and offered, with every trouble that figures have; the same ones for
 * the same seed.
 */
final class RandomMembers
{
    private const NAMES = [
        'North', 'Holm', 'Northern archipelago with all of its landing stages, in the summer and on feast days',
        '<script>alert(1)</script>', 'total', 'Outer & "Skerry"', 'Ø', 'Sound', 'Lowen',
        'A name of one long word: Überfahrtsgesellschaftsangestellte', 'East', 'West', 'other', '12',
    ];
    public const MAPPING = [
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
    ];

    /** @var list<string> */
    public array $routes;
    public int $closed;
    public string $csv;

    public function __construct(int $seed, public int $months, int $routes)
    {
        mt_srand($seed);
        $this->routes = \array_slice(self::NAMES, 0, min($routes, \count(self::NAMES)));
        for ($i = \count(self::NAMES); $i < $routes; ++$i) {
            $this->routes[] = "Stop $i";
        }
        $this->closed = mt_rand(0, $months - 1);
        $size = 10 ** mt_rand(0, 8);
        $sign = [1, 1, 1, -1, 0][mt_rand(0, 4)];
        $csv = "Month,Route,Class,Measure,Actual,Budget,Forecast,Prior year,Target\n";
        for ($month = 0; $month < $months; ++$month) {
            foreach ($this->routes as $route) {
                foreach (['Foot', 'Vehicle'] as $class) {
                    foreach (['Used' => 1.0, 'Offered' => 1.4] as $measure => $share) {
                        $csv .=
                            \sprintf('%d-%02d', 2024 + intdiv($month, 12), ($month % 12) + 1).
                            ',"'.
                            str_replace('"', '""', $route).
                            "\",$class,$measure,".
                            implode(',', $this->amounts($month, $size * $share * (0.1 + mt_rand(0, 900) / 300), $sign)).
                            "\n";
                    }
                }
            }
        }
        $this->csv = $csv;
    }

    public function closedThrough(): string
    {
        return \sprintf('%d-%02d', 2024 + intdiv($this->closed, 12), ($this->closed % 12) + 1);
    }

    /** @return list<string> actual, budget, forecast, prior year, target */
    private function amounts(int $month, float $base, int $sign): array
    {
        $base *= 0 === $sign ? mt_rand(0, 1) * 2 - 1 : $sign;
        $one = static fn (bool $isThere, int $lost): string => $isThere && mt_rand(0, $lost) > 0
            ? (0 === mt_rand(0, 40)
                ? '0'
                : number_format($base * (0.8 + mt_rand(0, 400) / 1000), mt_rand(0, 2), '.', ''))
            : '';
        $isFirst = 0 === $month;

        return [
            $isFirst ? '1' : $one($month <= $this->closed, 14),
            $one(true, 14),
            $isFirst && 0 === $this->closed ? '2' : $one($month >= $this->closed, 14),
            $one(true, 10),
            $one(true, 10),
        ];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core;

/** Random monthly figures with every trouble that figures have, the same ones for the same seed. */
final class RandomFigures
{
    private const NAMES = [
        'Brackwater', 'Net revenue of the whole and undivided northern archipelago, ferries & "piers"',
        '<script>alert(1)</script>', 'Überfahrten', 'K',
    ];

    /** @var array<int, array{?string, ?string, ?string, ?string}> actual, budget, forecast, prior year by month */
    public array $months = [];
    public string $name;
    public int $closed;

    public function __construct(int $seed, int $periods)
    {
        mt_srand($seed);
        $this->name = self::NAMES[mt_rand(0, \count(self::NAMES) - 1)];
        $size = 10 ** mt_rand(0, 11);
        $sign = [1, 1, -1, 0][mt_rand(0, 3)];
        $this->closed = mt_rand(0, $periods - 1);
        for ($i = 0; $i < $periods; ++$i) {
            $base = $size * (0.2 + mt_rand(0, 1000) / 500) * (0 === $sign ? mt_rand(0, 1) * 2 - 1 : $sign);
            $this->months[$i] = [
                $i <= $this->closed && mt_rand(0, 20) > 0 ? self::near($base) : null,
                mt_rand(0, 15) > 0 ? self::near($base) : null,
                $i >= $this->closed - 1 && mt_rand(0, 10) > 0 ? self::near($base) : null,
                mt_rand(0, 8) > 0 ? self::near($base) : null,
            ];
        }
        $this->months[0] = [
            $this->months[0][0] ?? '1',
            $this->months[0][1] ?? '1',
            $this->months[0][2],
            $this->months[0][3] ?? '1',
        ];
        [$actual, $budget, $forecast, $priorYear] = $this->months[$this->closed] ?? [null, null, null, null];
        $this->months[$this->closed] = [$actual, $budget, $forecast ?? '1', $priorYear];
        if (0 === mt_rand(0, 3)) {
            $month = mt_rand(0, $periods - 1);
            [$actual, , $forecast, $priorYear] = $this->months[$month] ?? [null, null, null, null];
            $this->months[$month] = [$actual, '0', $forecast, $priorYear];
        }
    }

    public function csv(): string
    {
        $csv = "Month,Actual,Budget,Forecast,Prior year\n";
        foreach ($this->months as $i => $amounts) {
            $csv .=
                \sprintf('%d-%02d', 2022 + intdiv($i, 12), ($i % 12) + 1).
                ','.
                implode(',', array_map(static fn (?string $amount): string => (string) $amount, $amounts)).
                "\n";
        }

        return $csv;
    }

    private static function near(float $base): string
    {
        $outlier = 0 === mt_rand(0, 25) ? 9.0 : 1.0;

        return number_format($base * $outlier * (0.85 + mt_rand(0, 300) / 1000), mt_rand(0, 2), '.', '');
    }
}

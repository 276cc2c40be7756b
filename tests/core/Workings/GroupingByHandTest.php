<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Periods put together and relative spans, each worked out by hand. */
final class GroupingByHandTest extends TestCase
{
    /** A year and a half of months: 1, 2, 3 … from Jan 2025 to Jun 2026. */
    private const MONTHS = [
        '2025-01' => 1,
        '2025-02' => 2,
        '2025-03' => 3,
        '2025-04' => 4,
        '2025-05' => 5,
        '2025-06' => 6,
        '2025-07' => 7,
        '2025-08' => 8,
        '2025-09' => 9,
        '2025-10' => 10,
        '2025-11' => 11,
        '2025-12' => 12,
        '2026-01' => 13,
        '2026-02' => 14,
        '2026-03' => 15,
        '2026-04' => 16,
        '2026-05' => 17,
        '2026-06' => 18,
    ];
    /** Around two turns of the year, and a leap day. */
    private const DAYS = [
        '2024-02-28' => 1,
        '2024-02-29' => 2,
        '2024-03-01' => 4,
        '2024-12-29' => 8,
        '2024-12-30' => 16,
        '2025-01-01' => 32,
        '2025-01-05' => 64,
        '2025-01-06' => 128,
        '2026-12-31' => 256,
        '2027-01-01' => 512,
        '2027-01-03' => 1024,
        '2027-01-04' => 2048,
    ];
    private const WEEKS = [
        '2025-W52' => 1,
        '2026-W01' => 2,
        '2026-W05' => 4,
        '2026-W14' => 8,
        '2026-W53' => 16,
        '2027-W01' => 32,
    ];

    /**
     * @param array<string, int|null> $amounts by period
     * @param array<string, mixed> $question
     * @param array<string, mixed> $mapping
     * @param array<string|int, ?string> $expected shown, by key
     */
    #[DataProvider('examples')]
    public function testByHand(
        array $amounts,
        array $question,
        array $mapping,
        array $expected,
        ?string $total = null,
    ): void {
        $csv =
            "Month,Amount\n".
            implode(
                '',
                array_map(
                    static fn (string $key, ?int $amount): string => "$key,$amount\n",
                    array_keys($amounts),
                    $amounts,
                ),
            );
        $workings = Written::workings($csv, $question, $mapping);
        self::assertSame(
            $expected,
            array_combine(
                array_map(static fn (Row $row): string => $row->key->id, $workings->table->rows),
                array_map(static fn (Row $row): ?string => $row->shown?->toString(), $workings->table->rows),
            ),
        );
        if (null !== $total) {
            self::assertSame($total, $workings->table->total->shown?->toString());
        }
    }

    /**
     * @return \Generator<string, array{
     *     array<string, int|null>, array<string, mixed>, array<string, mixed>, array<string|int, ?string>, 4?: string,
     * }>
     */
    public static function examples(): \Generator
    {
        $april = ['fiscalYearStarts' => 4];
        $july = ['fiscalYearStarts' => 7];
        $average = ['measures' => ['Amount' => ['grouping' => 'average']]];
        $last = ['measures' => ['Amount' => ['grouping' => 'last']]];
        $span = static fn (string $from, string $to): array => ['span' => ['from' => $from, 'to' => $to]];
        $closed = static fn (string $closing, mixed $span, string $by = 'month'): array => [
            'closedThrough' => $closing,
            'span' => $span,
            'by' => $by,
        ];

        // Calendar years.
        yield 'quarters' => [
            self::MONTHS,
            ['by' => 'quarter'],
            [],
            [
                '2025-Q1' => '6',
                '2025-Q2' => '15',
                '2025-Q3' => '24',
                '2025-Q4' => '33',
                '2026-Q1' => '42',
                '2026-Q2' => '51',
            ],
            '171',
        ];
        yield 'half-years' => [
            self::MONTHS, ['by' => 'half-year'], [], ['2025-H1' => '21', '2025-H2' => '57', '2026-H1' => '93'],
        ];
        yield 'years' => [self::MONTHS, ['by' => 'year'], [], ['2025' => '78', '2026' => '93']];
        yield 'part of a quarter' => [
            self::MONTHS,
            ['by' => 'quarter'] + $span('2025-02', '2025-05'),
            [],
            ['2025-Q1' => '5', '2025-Q2' => '9'],
            '14',
        ];
        yield 'a gap is not a zero' => [
            array_replace(self::MONTHS, ['2025-02' => null]),
            ['by' => 'month'] + $span('2025-01', '2025-03'),
            [],
            ['2025-01' => '1', '2025-02' => null, '2025-03' => '3'],
            '4',
        ];
        yield 'a quarter with a gap is the sum of what is there' => [
            array_replace(self::MONTHS, ['2025-02' => null]),
            ['by' => 'quarter'] + $span('2025-01', '2025-03'),
            [],
            ['2025-Q1' => '4'],
        ];

        // A fiscal year from April: Apr 2025 to Mar 2026 is FY2026.
        yield 'fiscal quarters from April' => [
            self::MONTHS,
            ['by' => 'quarter'],
            $april,
            [
                'FY2025-Q4' => '6',
                'FY2026-Q1' => '15',
                'FY2026-Q2' => '24',
                'FY2026-Q3' => '33',
                'FY2026-Q4' => '42',
                'FY2027-Q1' => '51',
            ],
        ];
        yield 'fiscal half-years from April' => [
            self::MONTHS,
            ['by' => 'half-year'],
            $april,
            ['FY2025-H2' => '6', 'FY2026-H1' => '39', 'FY2026-H2' => '75', 'FY2027-H1' => '51'],
        ];
        yield 'fiscal years from April' => [
            self::MONTHS, ['by' => 'year'], $april, ['FY2025' => '6', 'FY2026' => '114', 'FY2027' => '51'], '171',
        ];
        yield 'fiscal years from July' => [
            self::MONTHS, ['by' => 'year'], $july, ['FY2025' => '21', 'FY2026' => '150'],
        ];
        yield 'the quarter of June in a year from July' => [
            self::MONTHS,
            ['by' => 'quarter'] + $span('2025-06', '2025-07'),
            $july,
            ['FY2025-Q4' => '6', 'FY2026-Q1' => '7'],
        ];
        yield 'one fiscal year' => [
            self::MONTHS,
            ['by' => 'half-year'] + $span('2025-04', '2026-03'),
            $april,
            ['FY2026-H1' => '39', 'FY2026-H2' => '75'],
            '114',
        ];

        // Days, among them a leap day and turns of the year.
        yield 'a leap day in its month' => [
            self::DAYS, ['by' => 'month'] + $span('2024-02', '2024-03'), [], ['2024-02' => '3', '2024-03' => '4'],
        ];
        yield 'a leap day in its quarter' => [
            self::DAYS, ['by' => 'quarter'] + $span('2024-Q1', '2024-Q1'), [], ['2024-Q1' => '7'],
        ];
        yield 'a leap day in its week' => [
            self::DAYS, ['by' => 'week'] + $span('2024-W09', '2024-W09'), [], ['2024-W09' => '7'],
        ];
        yield 'a week over new year, part of the next' => [
            self::DAYS,
            ['by' => 'week'] + $span('2024-W52', '2025-W02'),
            [],
            ['2024-W52' => '8', '2025-W01' => '112', '2025-W02' => '128'],
        ];
        yield 'a week over new year, the 53rd' => [
            self::DAYS,
            ['by' => 'week'] + $span('2026-W53', '2027-W01'),
            [],
            ['2026-W53' => '1792', '2027-W01' => '2048'],
        ];
        yield 'the same days in their months' => [
            self::DAYS, ['by' => 'month'] + $span('2026-12', '2027-01'), [], ['2026-12' => '256', '2027-01' => '3584'],
        ];
        yield 'the same days in their years' => [
            self::DAYS,
            ['by' => 'year'],
            [],
            ['2024' => '31', '2025' => '224', '2026' => '256', '2027' => '3584'],
            '4095',
        ];
        yield 'days in fiscal years from April' => [
            self::DAYS,
            ['by' => 'year'],
            $april,
            ['FY2024' => '7', 'FY2025' => '248', 'FY2026' => null, 'FY2027' => '3840'],
        ];

        // Weeks belong where their Thursday is.
        yield 'the first week of a year that begins on a Thursday' => [
            self::WEEKS, ['by' => 'month'] + $span('2025-12', '2026-01'), [], ['2025-12' => '1', '2026-01' => '6'],
        ];
        yield 'a week of March and April belongs to April' => [
            self::WEEKS, ['by' => 'quarter'] + $span('2026-Q1', '2026-Q2'), [], ['2026-Q1' => '6', '2026-Q2' => '8'],
        ];
        yield 'a week that only ends in February is not part of it' => [
            self::WEEKS,
            ['by' => 'month'] + $span('2026-02', '2026-04'),
            [],
            ['2026-02' => null, '2026-03' => null, '2026-04' => '8'],
            '8',
        ];
        yield 'the 53rd week belongs to its old year' => [
            self::WEEKS, ['by' => 'year'], [], ['2025' => '1', '2026' => '30', '2027' => '32'],
        ];
        yield 'weeks in fiscal years from April' => [
            self::WEEKS, ['by' => 'year'], $april, ['FY2026' => '7', 'FY2027' => '56'],
        ];

        // Averages and last values.
        yield 'average of a quarter' => [
            self::MONTHS,
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q2'),
            $average,
            ['2025-Q1' => '2', '2025-Q2' => '5'],
        ];
        yield 'average of a year' => [
            self::MONTHS, ['by' => 'year'] + $span('2025', '2025'), $average, ['2025' => '6.5'],
        ];
        yield 'average over a gap' => [
            array_replace(self::MONTHS, ['2025-02' => null]),
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q1'),
            $average,
            ['2025-Q1' => '2'],
        ];
        yield 'average over another gap' => [
            array_replace(self::MONTHS, ['2025-03' => null]),
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q1'),
            $average,
            ['2025-Q1' => '1.5'],
        ];
        yield 'last of each quarter' => [
            self::MONTHS,
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q2'),
            $last,
            ['2025-Q1' => '3', '2025-Q2' => '6'],
            '6',
        ];
        yield 'last of a quarter whose end is missing' => [
            array_replace(self::MONTHS, ['2025-03' => null]),
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q1'),
            $last,
            ['2025-Q1' => '2'],
        ];
        yield 'last of a quarter with only its first month' => [
            array_replace(self::MONTHS, ['2025-02' => null, '2025-03' => null]),
            ['by' => 'quarter'] + $span('2025-Q1', '2025-Q1'),
            $last,
            ['2025-Q1' => '1'],
        ];
        yield 'last of a fiscal year from April' => [
            self::MONTHS, ['by' => 'year'], $april + $last, ['FY2025' => '3', 'FY2026' => '15', 'FY2027' => '18'],
        ];
        yield 'last of days in a month' => [
            self::DAYS, ['by' => 'month'] + $span('2024-02', '2024-02'), $last, ['2024-02' => '2'],
        ];

        // Spans that move with the closing period.
        yield 'last 3 months' => [
            self::MONTHS,
            $closed('2026-02', ['last' => 3, 'unit' => 'month']),
            [],
            ['2025-12' => '12', '2026-01' => '13', '2026-02' => '14'],
            '39',
        ];
        yield 'last 12 months' => [
            self::MONTHS,
            $closed('2026-06', ['last' => 12, 'unit' => 'month'], 'quarter'),
            [],
            ['2025-Q3' => '24', '2025-Q4' => '33', '2026-Q1' => '42', '2026-Q2' => '51'],
            '150',
        ];
        yield 'last 2 quarters, the closing one not over' => [
            self::MONTHS,
            $closed('2026-02', ['last' => 2, 'unit' => 'quarter'], 'quarter'),
            [],
            ['2025-Q4' => '33', '2026-Q1' => '27'],
            '60',
        ];
        yield 'previous quarter' => [
            self::MONTHS,
            $closed('2026-02', ['previous' => 1, 'unit' => 'quarter']),
            [],
            ['2025-10' => '10', '2025-11' => '11', '2025-12' => '12'],
            '33',
        ];
        yield 'previous year' => [
            self::MONTHS, $closed('2026-02', ['previous' => 1, 'unit' => 'year'], 'year'), [], ['2025' => '78'],
        ];
        yield 'previous fiscal year' => [
            self::MONTHS, $closed('2026-05', ['previous' => 1, 'unit' => 'year'], 'year'), $april, ['FY2026' => '114'],
        ];
        yield 'year to date' => [
            self::MONTHS,
            $closed('2026-03', 'year to date'),
            [],
            ['2026-01' => '13', '2026-02' => '14', '2026-03' => '15'],
            '42',
        ];
        yield 'fiscal year to date' => [
            self::MONTHS,
            $closed('2026-03', 'year to date', 'quarter'),
            $april,
            ['FY2026-Q1' => '15', 'FY2026-Q2' => '24', 'FY2026-Q3' => '33', 'FY2026-Q4' => '42'],
            '114',
        ];
        yield 'fiscal year to date, just begun' => [
            self::MONTHS, $closed('2026-04', 'year to date'), $april, ['2026-04' => '16'], '16',
        ];
        yield 'year to date of days' => [
            self::DAYS, $closed('2025-01-05', 'year to date', 'month'), [], ['2025-01' => '96'], '96',
        ];
        yield 'last week, over new year' => [
            self::DAYS,
            $closed('2027-01-03', ['last' => 1, 'unit' => 'week'], 'day'),
            [],
            [
                '2026-12-28' => null,
                '2026-12-29' => null,
                '2026-12-30' => null,
                '2026-12-31' => '256',
                '2027-01-01' => '512',
                '2027-01-02' => null,
                '2027-01-03' => '1024',
            ],
            '1792',
        ];
    }

    public function testTheRestOfTheYearIsForecast(): void
    {
        $csv = "Month,Actual,Forecast\n2026-04,5,\n2026-05,6,\n2026-06,,7\n2026-12,,8\n2027-03,,9\n2027-04,,10\n";
        $calendar = Written::workings($csv, ['forecast' => 'FC', 'span' => 'rest of year']);
        self::assertSame(
            ['15', '2026-06', '2026-12'],
            [
                $calendar->table->total->shown?->toString(),
                $calendar->table->rows[0]->key->id,
                $calendar->table->rows[6]->key->id,
            ],
        );
        $fiscal = Written::workings(
            $csv, ['forecast' => 'FC', 'span' => 'rest of year', 'by' => 'quarter'], ['fiscalYearStarts' => 4],
        );
        self::assertSame(
            ['24', ['FY2027-Q1', 'FY2027-Q2', 'FY2027-Q3', 'FY2027-Q4']],
            [
                $fiscal->table->total->shown?->toString(),
                array_map(static fn (Row $row): string => $row->key->id, $fiscal->table->rows),
            ],
        );
    }

    public function testARatioIsPutTogetherFromItsParts(): void
    {
        $csv = "Month,On time,Sailings\n2026-01,90,100\n2026-02,10,50\n2026-03,,10\n2026-04,40,40\n";
        $mapping = [
            'measures' => [
                'Punctuality' => ['grouping' => 'ratio', 'numerator' => 'On time', 'denominator' => 'Sailings'],
            ],
        ];
        $by = static fn (string $grain, array $more = []): array => array_map(
            static fn (Row $row): ?string => $row->shown?->toString(),
            Written::workings($csv, ['measure' => 'Punctuality', 'by' => $grain] + $more, $mapping)->table->rows,
        );
        self::assertSame(['90.000000', '20.000000', null, '100.000000'], $by('month'));
        self::assertSame(
            '66.666667',
            $by('quarter', ['span' => ['from' => '2026-01', 'to' => '2026-02']])[0],
            '100 of 150, not the mean of 90 and 20',
        );
        self::assertSame(['73.684211'], $by('year'), 'parts stand together only where both are there: 140 of 190');
    }

    public function testQuartersPutTogetherAreTheYear(): void
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            $csv = (new RandomFigures($seed, 30))->csv();
            foreach ([1, 4, 7] as $first) {
                $total = static fn (string $by): array => array_map(
                    static fn (Row $row): array => [
                        substr($row->key->id, 0, str_starts_with($row->key->id, 'FY') ? 6 : 4),
                        $row->shown,
                    ],
                    Written::workings($csv, ['by' => $by], ['fiscalYearStarts' => $first])->table->rows,
                );
                $years = [];
                foreach ($total('quarter') as [$year, $shown]) {
                    $years[$year] = null === $shown ? $years[$year] ?? null : $shown->plus($years[$year] ?? 0);
                }
                self::assertSame(
                    array_map(static fn (array $row): array => [$row[0], $row[1]?->toString()], $total('year')),
                    array_map(
                        static fn (string|int $year): array => [(string) $year, $years[$year]?->toString()],
                        array_keys($years),
                    ),
                    "seed $seed from month $first",
                );
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A ledger as it comes: a row per posting by day, a budget dated on the first of each month, berths that come and go.
 * Its sums were reckoned by hand from the file: actual, budget and variance of each row.
 */
final class LedgerTest extends TestCase
{
    private const FOLDER = __DIR__.'/../fixtures/ledger';
    private const MONTHS = [
        '2026-01' => ['251259.37', '159332.93', '91926.44'],
        '2026-02' => ['207974.66', '178946.91', '29027.75'],
        '2026-03' => ['219733.10', '154118.08', '65615.02'],
        '2026-04' => ['224667.43', '173966.73', '50700.70'],
        '2026-05' => ['235973.50', '163290.79', '72682.71'],
        '2026-06' => ['196674.44', '191309.66', '5364.78'],
        '2026-07' => ['199869.56', '192715.60', '7153.96'],
        '2026-08' => ['209259.33', '208425.63', '833.70'],
    ];
    private const PORTS = [
        'Corran' => ['586643.31', '428148.01', '158495.30'],
        'Aldwick' => ['674187.47', '574929.63', '99257.84'],
        'Tarn' => ['484580.61', '419028.69', '65551.92'],
    ];
    private const ACCOUNTS = [
        '4000 Mooring' => ['886075.38', '640911.26', '245164.12'],
        '4100 Service' => ['859336.01', '781195.07', '78140.94'],
    ];
    private const TOTAL = ['1745411.39', '1422106.33', '323305.06'];
    private const SEPTEMBER = [
        'Corran' => ['60383.30', '62958.42', '-2575.12'],
        'Aldwick' => ['75630.82', '82698.37', '-7067.55'],
        'Tarn' => ['70712.28', '73080.55', '-2368.27'],
        'total' => ['206726.40', '218737.34', '-12010.94'],
    ];

    /** @return iterable<string, array{string, array<string, array{string, string, string}>}> */
    public static function rows(): iterable
    {
        yield 'months' => ['month', self::MONTHS];
        yield 'ports' => ['Port', self::PORTS + ['total' => self::TOTAL]];
        yield 'accounts' => ['Account', self::ACCOUNTS + ['total' => self::TOTAL]];
    }

    /** @param array<string, array{string, string, string}> $rows */
    #[DataProvider('rows')]
    public function testByTheCommandLine(string $by, array $rows): void
    {
        self::assertSame($rows, self::told(self::printed($by)));
    }

    public function testBerthsThatComeAndGoAddUpToTheTotal(): void
    {
        $workings = self::printed('Berth', ['top' => 500]);
        $berths = array_filter(
            (array) $workings->at('rows'),
            static fn (mixed $row): bool => \is_array($row) && 'row' === $row['role'],
        );
        $absent = array_filter($berths, static fn (array $row): bool => true === ($row['absent'] ?? false));
        self::assertSame([153, 23], [\count($berths), \count($absent)]);
        $cents = array_map(
            static fn (array $row): int => (int) str_replace('.', '', $row[2]),
            array_diff_key(self::told($workings), ['total' => 1]),
        );
        self::assertSame(32_330_506, array_sum($cents));
        self::assertSame(self::TOTAL[2], $workings->text('total', 'variance', 'BU', 'amount'));
    }

    public function testOverHttpAndNextMonth(): void
    {
        $dataset = Kept::made(
            (string) file_get_contents(self::FOLDER.'/ledger-2026-08.csv'), null, 'ledger-2026-08.csv',
        );
        foreach (self::rows() as [$by, $rows]) {
            self::assertSame($rows, self::told(self::kept($dataset, $by, '2026-01', '2026-08')));
        }
        $next = Server::upload(
            'ledger-2026-09.csv', (string) file_get_contents(self::FOLDER.'/ledger-2026-09.csv'), $dataset,
        );
        $added = Kept::change('POST', $dataset, '/imports', ['reading' => $next->text('id'), 'mode' => 'add']);
        self::assertSame(201, $added->status, $added->body);
        self::assertSame(self::SEPTEMBER, self::told(self::kept($dataset, 'Port', '2026-09', '2026-09')));
        self::assertSame(
            self::MONTHS,
            self::told(self::kept($dataset, 'month', '2026-01', '2026-08')),
            'what was there is as it was',
        );
        self::assertSame('2026-09', Server::send('GET', "/api/datasets/$dataset")->text('closing'));
    }

    /** @param array<string, mixed> $more */
    private static function printed(string $by, array $more = []): Answer
    {
        $recipe = [
            'keenMargin' => 1,
            'question' => self::question($by, '2026-01', '2026-08') + $more,
            'kind' => 'variance-tiers',
        ];
        [$code, $output, $errors] = Command::keen(
            ['workings', '-', self::FOLDER.'/ledger-2026-08.csv'], json_encode($recipe, \JSON_THROW_ON_ERROR),
        );
        self::assertSame([0, ''], [$code, $errors]);

        return new Answer([], $output);
    }

    private static function kept(int $dataset, string $by, string $from, string $to): Answer
    {
        $recipe = ['keenMargin' => 1, 'question' => self::question($by, $from, $to), 'kind' => 'variance-tiers'];
        $answer = Server::send('POST', "/api/datasets/$dataset/workings.json", ['recipe' => $recipe]);
        self::assertSame(200, $answer->status, $answer->body);

        return $answer;
    }

    /** @return array<string, mixed> */
    private static function question(string $by, string $from, string $to): array
    {
        // The last days of a month have no postings: nobody but the reader can tell that it is over.
        return ['by' => $by, 'against' => ['BU'], 'span' => ['from' => $from, 'to' => $to], 'closedThrough' => $to];
    }

    /** @return array<string, array{string, string, string}> actual, budget and variance, by row */
    private static function told(Answer $workings): array
    {
        $told = [];
        foreach (array_keys((array) $workings->at('rows')) as $i) {
            $of = static fn (string ...$path): string => $workings->text('rows', $i, ...$path);
            $told[$of('key')] = [$of('values', 'AC'), $of('values', 'BU'), $of('variance', 'BU', 'amount')];
        }

        return $told;
    }
}

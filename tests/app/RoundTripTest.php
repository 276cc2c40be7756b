<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * Random datasets, out in each format and in again: the same figures to the last digit, as a dataset of their own and
 * into their own.
 */
final class RoundTripTest extends TestCase
{
    private const NAMES = [
        'North', 'Überfahrt Süd', '=SUM(1,2)', '+49 ferries', '-', '@home', "'quoted", "'=both", "''twice", 'a,b;c|d',
        'say "so"', 'Total', 'n/a', '2024', '007', '1e5', 'true', '<script>alert(1)</script>', 'Null', 'Jan 2026',
        'Budget', '%', 'ﬁ ﬂ 你好', 'FALSE', 'a & b',
    ];

    #[TestWith(['csv'])]
    #[TestWith(['xlsx'])]
    #[TestWith(['ods'])]
    #[TestWith(['jsonl'])]
    public function testWhatGoesOutComesInAgain(string $format): void
    {
        mt_srand(51);
        for ($round = 0; $round < 12; ++$round) {
            $id = self::random($round);
            $file = Server::send('GET', "/api/datasets/$id/exports/$format");
            self::assertSame(200, $file->status, $file->body);
            self::assertStringContainsString(".$format", $file->header('Content-Disposition'));
            $reading = Server::upload("export.$format", $file->body);
            self::assertSame([201, []], [$reading->status, $reading->at('doubts')], $reading->body);
            $again = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => 'Again']);
            self::assertSame(201, $again->status, $again->body);
            self::assertSame(self::whole($id), self::whole($again->int('id')), "round $round");

            $reading = Server::upload("export.$format", $file->body, $id);
            $counts = Server::send('POST', '/api/readings/'.$reading->text('id').'/trials', [
                'mapping' => $reading->at('mapping'),
                'dataset' => $id,
                'mode' => 'replace all',
            ])->at('counts');
            \assert(\is_array($counts));
            self::assertSame(
                [0, 0, 0],
                [$counts['added'] ?? null, $counts['replaced'] ?? null, $counts['removed'] ?? null],
                "round $round into its own",
            );
        }
    }

    /** Numbers stay numbers, and text that a program would run as a formula does not. */
    public function testAWorkbookHoldsNumbersAndHarmlessText(): void
    {
        $reading = Server::upload(
            'x.csv',
            "Period,Scenario,Measure,Unit,Line,Amount\n2026-01,AC,Fuel,EUR,=1+1,1.50\n"
                ."2026-02,AC,Fuel,EUR,Fares,1234567890123456.75\n",
        );
        $id = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => 'x'])->int('id');
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-book');
        file_put_contents($path, Server::send('GET', "/api/datasets/$id/exports/xlsx")->body);
        $sheet = (string) file_get_contents("zip://$path#xl/worksheets/sheet1.xml");
        unlink($path);
        self::assertStringContainsString('<v>1.50</v>', $sheet);
        self::assertStringContainsString(">'=1+1<", $sheet);
        self::assertStringContainsString('>1234567890123456.75<', $sheet, 'more digits than a workbook keeps: as text');
        self::assertStringNotContainsString('<f>', $sheet);
    }

    private static function random(int $round): int
    {
        $breakdowns = \array_slice(['Line', 'Route & class', 'Cost centre no'], 0, mt_rand(0, 3));
        $measures = \array_slice(['Net revenue', 'Fuel, "blue"', '2025'], 0, mt_rand(1, 3));
        $rows = [];
        for ($i = mt_rand(1, 60); $i > 0; --$i) {
            $measure = mt_rand(0, \count($measures) - 1);
            $key = [
                \sprintf('2026-%02d', mt_rand(1, 12)),
                ['AC', 'BU', 'FC', 'TG', 'PY'][mt_rand(0, 4)],
                $measures[$measure],
                ['EUR', '', 'h'][$measure],
                ...array_map(static fn (): string => self::NAMES[mt_rand(0, \count(self::NAMES) - 1)], $breakdowns),
            ];
            $digits = (string) mt_rand(0, 10 ** mt_rand(1, 9)).(0 === mt_rand(0, 5) ? mt_rand(100_000, 999_999) : '');
            $rows[implode("\0", $key)] = [
                ...$key,
                (0 === mt_rand(0, 2) ? '-' : '').$digits.($round % 3 > 0 ? '.'.mt_rand(0, 99) : ''),
            ];
        }
        $lines = [['Period', 'Scenario', 'Measure', 'Unit', ...$breakdowns, 'Amount'], ...array_values($rows)];
        $json = implode(
            "\n",
            array_map(
                static fn (array $row): string => json_encode(array_combine($lines[0], $row), \JSON_THROW_ON_ERROR),
                \array_slice($lines, 1),
            ),
        );
        $reading = Server::upload('random.jsonl', $json);
        $made = Server::send('POST', '/api/datasets', ['reading' => $reading->text('id'), 'name' => "Random $round"]);
        self::assertSame(201, $made->status, $made->body);
        self::assertSame(\count($rows), $made->int('facts'));

        return $made->int('id');
    }

    /** @return array<string, mixed> measures, members and figures, in an order of their own */
    private static function whole(int $id): array
    {
        $dataset = Server::send('GET', "/api/datasets/$id");
        $lines = explode("\r\n", trim(Server::send('GET', "/api/datasets/$id/exports/csv")->body));
        sort($lines);
        $breakdowns = (array) $dataset->at('breakdowns');
        $members = [];
        foreach (array_keys($breakdowns) as $i) {
            $names = array_values((array) $dataset->at('breakdowns', $i, 'members'));
            sort($names);
            $members[$dataset->text('breakdowns', $i, 'name')] = $names;
        }
        $measures = array_map(
            static fn (mixed $measure): array => array_diff_key((array) $measure, ['id' => 0]),
            (array) $dataset->at('measures'),
        );
        sort($measures);

        return [
            'measures' => $measures,
            'members' => $members,
            'figures' => $lines,
            'closing' => $dataset->at('closing'),
            'facts' => $dataset->at('facts'),
        ];
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\App\Export\WorkingsXlsx;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Kind\WaterfallExamples;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Workbooks of workings, recomputed by an office program: its formulas give the workings' numbers. */
final class WorkbookTest extends TestCase
{
    /** @return array<string, Workings> */
    private static function examples(): array
    {
        $examples = [];
        foreach ([2, 5, 9, 14] as $seed) {
            $examples["months-$seed"] = Written::workings((new RandomFigures($seed, 4 + $seed))->csv(), [
                'against' => ['BU', 'PY'],
                'forecast' => 'FC',
            ]);
        }
        $examples['running'] = Written::workings((new RandomFigures(7, 12))->csv(), [
            'against' => ['BU'],
            'cumulate' => 'year to date',
        ]);
        $members = new RandomMembers(6, 5, 5);
        foreach (
            [
                'routes' => ['variance-tiers', ['by' => 'Route', 'against' => ['BU']]],
                'each' => ['variance-tiers', ['by' => 'Class', 'each' => 'Route', 'against' => ['BU']]],
                'hat' => [
                    'hat',
                    ['by' => 'Route', 'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Vehicle']],
                ],
                'bullets' => ['bullet', ['by' => 'Route', 'target' => ['scenario' => 'BU']]],
                'goals' => ['progress', ['by' => 'Route', 'goal' => ['scenario' => 'BU']]],
                'table' => [
                    'comparison-table',
                    ['by' => 'Route', 'against' => ['BU'], 'columns' => ['AC', 'share', 'progress']],
                ],
                'capacity' => ['capacity-fill', ['used' => 'Used', 'total' => 'Offered', 'against' => ['TG']]],
            ] as $name => [$kind, $question]
        ) {
            $examples[$name] = Written::workings(
                $members->csv, $question + ['measure' => 'Used'], RandomMembers::MAPPING, $kind,
            );
        }

        return $examples + self::waterfalls();
    }

    /** @return array<string, Workings> */
    private static function waterfalls(): array
    {
        $wanted = [
            'a step opened into its own, and one of these', 'three totals', 'volume, mix and rate',
            'movements over a year end', 'a stated end that does not tie', 'members to a grand total',
            'a ratio in points',
        ];
        $waterfalls = [];
        foreach (WaterfallExamples::all() as $name => $example) {
            if (\in_array($name, $wanted, true)) {
                $waterfalls[strtr($name, ' ', '-')] = Written::workings(
                    $example->csv, $example->question, $example->mapping, $example->kind,
                );
            }
        }
        self::assertCount(\count($wanted), $waterfalls);

        return $waterfalls;
    }

    /** Where a waterfall's row begins, how it changes and where it ends follow from one another. */
    public function testFromChangeAndToAreFormulas(): void
    {
        foreach (self::waterfalls() as $name => $workings) {
            $zip = new \ZipArchive();
            $zip->open(Written::file(WorkingsXlsx::of($workings)));
            $sheet = (string) $zip->getFromName('xl/worksheets/sheet1.xml');
            preg_match_all('#<f>([^<]*)</f>#', $sheet, $formulas);
            $steps = array_filter($workings->table->rows, static fn (Row $row): bool => !$row->role->isWhole());
            $sums = array_filter($formulas[1], static fn (string $one): bool => str_starts_with($one, 'SUM('));
            $same = array_filter(
                $formulas[1],
                static fn (string $one): bool => 1 === preg_match('/^[A-Z]+\d+$/D', $one),
            );
            self::assertGreaterThanOrEqual(\count($steps) - 1, \count($sums), "$name: to");
            self::assertGreaterThanOrEqual(\count($steps) - 1, \count($same), "$name: from");
        }
    }

    public function testAnOfficeProgramComesToTheSameNumbers(): void
    {
        $folder = sys_get_temp_dir().'/keen-workbooks-'.getmypid();
        mkdir($folder);
        try {
            $formulas = 0;
            foreach (self::examples() as $name => $workings) {
                $formulas += self::written("$folder/$name.xlsx", WorkingsXlsx::of($workings));
            }
            self::assertGreaterThan(300, $formulas);
            // Without the numbers that were written beside the formulas, whatever comes out was computed.
            exec(
                'cd '.
                    escapeshellarg($folder).
                    ' && soffice -env:UserInstallation=file://'.
                    $folder.
                    '/profile --headless --convert-to csv *.xlsx 2>&1',
                $output,
                $code,
            );
            self::assertSame(0, $code, implode("\n", $output));
            foreach (self::examples() as $name => $workings) {
                self::assertComputed($workings, "$folder/$name.csv", $name);
            }
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    /** @return int how many formulas it has; their numbers are taken out */
    private static function written(string $path, string $bytes): int
    {
        file_put_contents($path, $bytes);
        $zip = new \ZipArchive();
        $zip->open($path);
        $sheet = (string) $zip->getFromName('xl/worksheets/sheet1.xml');
        $bare = preg_replace('#(<f>[^<]*</f>)<v>[^<]*</v>#', '$1', $sheet, -1, $count);
        $zip->addFromString('xl/worksheets/sheet1.xml', (string) $bare);
        $zip->close();

        return $count;
    }

    private static function assertComputed(Workings $workings, string $csv, string $name): void
    {
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, escape: ''),
            \array_slice(explode("\n", trim((string) file_get_contents($csv))), 2),
        );
        $rows = [...$workings->table->rows, ...array_values($workings->table->sums())];
        foreach (\array_slice($lines, 0, \count($workings->table->rows)) as $i => $line) {
            foreach ($workings->table->columns as $n => $column) {
                $number = $column->number($rows[$i]);
                $cell = (string) ($line[$n + 1] ?? '');
                self::assertSame(null === $number, '' === $cell, "$name: row $i, {$column->id()}");
                if (null !== $number) {
                    self::assertEqualsWithDelta(
                        $number->toFloat(),
                        (float) $cell,
                        1e-9 * max(1.0, abs($number->toFloat())),
                        "$name: row $i, {$column->id()}",
                    );
                }
            }
        }
    }

    public function testItIsServedAndItsTextsCannotRun(): void
    {
        $id = Kept::made("Month,Route,Amount,Budget\n2026-07,\"=1+1\",3,4\n2026-07,B,5,0\n");
        $answer = Server::send('POST', "/api/datasets/$id/workings.xlsx", [
            'recipe' => [
                'keenMargin' => 1,
                'question' => ['by' => 'Route', 'against' => ['BU']],
                'kind' => 'variance-tiers',
            ],
        ]);
        self::assertSame(
            [200, 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
            [$answer->status, $answer->header('Content-Type')],
        );
        $zip = new \ZipArchive();
        $zip->open(Written::file($answer->body));
        $sheet = (string) $zip->getFromName('xl/worksheets/sheet1.xml');
        self::assertStringContainsString("'=1+1", $sheet);
        self::assertStringContainsString('<f>SUM(B3:B4)</f>', $sheet);
        self::assertStringContainsString('<f>ROUND(100*D3/ABS(C3),4)</f>', $sheet);
    }
}

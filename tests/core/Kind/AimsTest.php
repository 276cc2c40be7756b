<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What can be a target or goal of what, limits, and questions that cannot be asked. */
final class AimsTest extends TestCase
{
    private const MEASURES =
        "Month,Route,Cost (EUR),Plan (EUR),Share (%)\n2026-01,North,80,100,7\n2026-02,North,30,,\n";
    private const DRIVERS = "Month,Route,Scenario,Bookings,Revenue\n2026-01,North,BU,10,100\n2026-01,North,AC,12,132\n";

    /** @return iterable<string, array{string, array<string, mixed>, string, string, string}> */
    public static function refusals(): iterable
    {
        yield 'a target in another unit' => [
            self::MEASURES,
            ['measure' => 'Cost', 'by' => 'Route', 'target' => ['measure' => 'Share']],
            'bullet',
            'question.target.measure',
            'Share is in %, Cost in EUR; a target has to be in the same unit.',
        ];
        yield 'a measure as its own goal' => [
            self::MEASURES,
            ['measure' => 'Cost', 'goal' => ['measure' => 'Cost']],
            'thermometer',
            'question.goal.measure',
            'A measure cannot be its own goal; choose another one.',
        ];
        yield 'drivers of one measure with itself' => [
            self::DRIVERS,
            ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC'], 'drivers' => self::drivers('Revenue')],
            'bridge',
            'question.drivers.volume',
            'Volume and value must be two measures; take another one.',
        ];
        yield 'a step that is opened by what the steps are by' => [
            self::DRIVERS,
            [
                'measure' => 'Revenue',
                'by' => 'Route',
                'bridge' => ['from' => 'BU', 'to' => 'AC'],
                'opened' => [['step' => 'North', 'by' => 'Route']],
            ],
            'bridge',
            'question.opened[0].by',
            'The steps are by that already; open them by another breakdown.',
        ];
        yield 'pro rata drivers' => [
            self::DRIVERS,
            [
                'by' => 'Route',
                'bridge' => ['from' => 'BU', 'to' => 'AC'],
                'drivers' => self::drivers('Bookings'),
                'proRata' => true,
            ],
            'bridge',
            'question.proRata',
            'Drivers, a bridge of a ratio and how full something is take whole figures only; leave it out.',
        ];
        yield 'a table that is sorted by a column which it has not' => [
            self::DRIVERS,
            ['measure' => 'Revenue', 'by' => 'Route', 'columns' => ['AC', 'BU'], 'sort' => ['column' => 'ΔPY']],
            'comparison-table',
            'question.sort',
            'ΔPY',
        ];
    }

    /** @return array{volume: string, value: string} */
    private static function drivers(string $volume): array
    {
        return ['volume' => $volume, 'value' => 'Revenue'];
    }

    /** @param array<string, mixed> $question */
    #[DataProvider('refusals')]
    public function testWhatCannotBeAskedIsRefusedWithItsPlace(
        string $csv,
        array $question,
        string $kind,
        string $path,
        string $says,
    ): void {
        try {
            Written::workings($csv, $question, kind: $kind);
        } catch (NotAccepted $e) {
            self::assertStringContainsString($path, $e->path);
            self::assertStringContainsString($says, $e->reason);

            return;
        }
        self::fail('It was not refused.');
    }

    public function testDriversAreAskedAboutWithoutAMeasure(): void
    {
        $question = [
            'by' => 'Route',
            'bridge' => ['from' => 'BU', 'to' => 'AC'],
            'drivers' => self::drivers('Bookings'),
        ];
        $workings = Written::workings(self::DRIVERS, $question, kind: 'bridge');
        self::assertSame('Revenue', $workings->context->subject);
        // 2 more bookings at 10 each; 12 of them at 1 more each.
        self::assertSame(['20', '12'], [self::change($workings, 'volume'), self::change($workings, 'rate')]);
    }

    public function testWhereLessIsBetterAGoalIsALimit(): void
    {
        $question = [
            'measure' => 'Cost',
            'better' => 'less',
            'goal' => '200',
            'span' => ['from' => '2026-01', 'to' => '2026-04'],
        ];
        $workings = Written::workings(self::MEASURES, $question, kind: 'thermometer');
        $row = Written::document($workings)['rows'];
        self::assertIsArray($row);
        self::assertIsArray($row[0]);
        // 110 of 200 are used after two of four months, 10 more than the pace; nothing is needed, 90 are left.
        self::assertSame(
            ['110', '200', '90', '10', null, null, true],
            [
                $row[0]['value'],
                $row[0]['goal'],
                $row[0]['remaining'],
                $row[0]['behind'],
                $row[0]['needed'],
                $row[0]['expected'],
                $row[0]['limit'],
            ],
        );
        $title = static fn (array $changes): string => Written::drawing(
            self::MEASURES, $changes + $question, kind: 'thermometer',
        )->scene->title;
        self::assertStringContainsString('on the way to its limit', $title([]));
        self::assertStringContainsString('on the way to its goal', $title(['better' => 'more']));
    }

    public function testGatheredRowsAreHeldAgainstNoTarget(): void
    {
        $rows = '';
        foreach (range(1, 8) as $i) {
            $rows .= "2026-01,R$i,".(10 * $i).',50'."\n";
        }
        $workings = Written::workings(
            "Month,Route,Actual,Target\n$rows",
            ['by' => 'Route', 'top' => 2, 'target' => ['scenario' => 'TG']],
            kind: 'bullet',
        );
        self::assertStringContainsString('4 of 8 reach their target', implode(' ', $workings->summary->texts()));
    }

    public function testBandsThatEndBelowTheTargetAreOpenAbove(): void
    {
        $workings = Written::workings(
            "Month,Route,Actual,Target\n2026-01,North,95,100\n2026-01,Holm,40,100\n",
            ['by' => 'Route', 'target' => ['scenario' => 'TG'], 'bands' => ['percentOfTarget' => ['60', '90']]],
            kind: 'bullet',
        );
        $rows = Written::document($workings)['rows'];
        self::assertIsArray($rows);
        self::assertCount(2, array_filter(array_column($rows, 'band')), 'both are in a band');
    }

    public function testLinesOfAStatementAreToldByTheMapping(): void
    {
        $does = ['Fuel' => 'subtract', 'Crew' => 'subtract', 'Margin' => 'subtotal'];
        $workings = Written::workings(
            "Month,Line,Actual\n2026-01,Fares,100\n2026-01,Fuel,40\n2026-01,Margin,60\n2026-01,Crew,10\n",
            ['by' => 'Line'],
            ['lines' => ['breakdown' => 'Line', 'of' => $does]],
            'statement',
        );
        $told = array_map(
            static fn (Row $row): string => "{$row->key->id} {$row->role->value}",
            $workings->table->rows,
        );
        self::assertSame([], array_filter($workings->checks, static fn ($check): bool => !$check->holds));
        $wanted = ['Fares step', 'Fuel step', 'subtotal:Fuel subtotal', 'Crew step', 'end end'];
        self::assertSame($wanted, $told);
    }

    private static function change(Workings $workings, string $key): ?string
    {
        foreach ($workings->table->rows as $row) {
            if ($row->key->id === $key) {
                return $row->values['change']?->toString();
            }
        }

        return null;
    }
}

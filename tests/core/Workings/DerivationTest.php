<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\About\Derivation;
use KeenMargin\Core\Workings\Result\DerivationRule;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** From which cells others follow: only where they give the very number. */
final class DerivationTest extends TestCase
{
    private const CSV = "Month,Actual,Budget,Forecast\n2026-01,302,310,\n2026-02,311,298,\n2026-03,,300,305\n";

    private static function how(Workings $workings, string $row, string $column): ?Derivation
    {
        foreach ($workings->table->columns as $one) {
            if ($one->id() === $column) {
                return Derivation::maybe($row, $one, $workings);
            }
        }
        self::fail("There is no column $column.");
    }

    /** @return list<array{string, string}> keys of rows and ids of columns */
    private static function cells(?Derivation $derived): array
    {
        $cells = [];
        foreach ($derived->rows ?? [] as $row) {
            foreach ($derived->columns ?? [] as $column) {
                $cells[] = [$row, $column];
            }
        }

        return $cells;
    }

    public function testVariancesAndPercentagesFollowFromTheirRow(): void
    {
        $workings = Written::workings(self::CSV, ['against' => ['BU'], 'forecast' => 'FC']);
        self::assertEquals(
            [DerivationRule::Minus, [['2026-01', 'shown'], ['2026-01', 'BU']]],
            [
                self::how($workings, '2026-01', 'variance:BU')?->rule,
                self::cells(self::how($workings, '2026-01', 'variance:BU')),
            ],
        );
        self::assertEquals(
            [['2026-02', 'variance:BU'], ['2026-02', 'BU']], self::cells(self::how($workings, '2026-02', 'percent:BU')),
        );
        self::assertEquals([['2026-03', 'FC']], self::cells(self::how($workings, '2026-03', 'shown')));
        self::assertNull(self::how($workings, '2026-01', 'AC'));
    }

    public function testSumsFollowFromTheirRows(): void
    {
        $workings = Written::workings(self::CSV, ['against' => ['BU'], 'forecast' => 'FC']);
        self::assertSame(
            [DerivationRule::Sum, [['2026-01', 'shown'], ['2026-02', 'shown'], ['2026-03', 'shown']]],
            [self::how($workings, 'total', 'shown')?->rule, self::cells(self::how($workings, 'total', 'shown'))],
        );
        self::assertSame([['2026-01', 'BU'], ['2026-02', 'BU']], self::cells(self::how($workings, 'toDate', 'BU')));
        self::assertSame(DerivationRule::Minus, self::how($workings, 'landing', 'variance:BU')?->rule);
    }

    public function testAVarianceThatCoversOnlySomeMonthsFollowsFromThose(): void
    {
        $workings = Written::workings("Month,Actual,Budget\n2026-01,302,310\n2026-02,311,\n", ['against' => ['BU']]);
        self::assertSame(
            [DerivationRule::Sum, [['2026-01', 'variance:BU'], ['2026-02', 'variance:BU']]],
            [
                self::how($workings, 'total', 'variance:BU')?->rule,
                self::cells(self::how($workings, 'total', 'variance:BU')),
            ],
        );
    }

    public function testARateFollowsFromItsParts(): void
    {
        $workings = Written::workings(
            "Month,Used,Offered\n2026-01,50,100\n2026-02,1,3\n",
            ['used' => 'Used', 'total' => 'Offered'],
            [],
            'capacity-fill',
        );
        self::assertSame(
            [DerivationRule::Rate, [['2026-02', 'used'], ['2026-02', 'total']]],
            [self::how($workings, '2026-02', 'rate')?->rule, self::cells(self::how($workings, '2026-02', 'rate'))],
        );
        self::assertSame(DerivationRule::Minus, self::how($workings, '2026-01', 'unused')?->rule);
    }

    public function testWhatIsFoundGivesTheNumberOverRandomFigures(): void
    {
        $found = 0;
        foreach (range(1, 60) as $seed) {
            $workings = Written::workings((new RandomFigures($seed, 1 + ($seed % 30)))->csv(), [
                'against' => ['BU', 'PY'],
                'forecast' => 'FC',
                'by' => 0 === $seed % 2 ? 'month' : 'quarter',
            ]);
            $rows = $workings->table->rowsByKey() + $workings->table->sums();
            $columns = array_column(
                array_map(static fn ($column): array => [$column->id(), $column], $workings->table->columns),
                1,
                0,
            );
            foreach ($rows as $key => $of) {
                foreach ($workings->table->columns as $column) {
                    $derived = Derivation::maybe((string) $key, $column, $workings);
                    if (null !== $derived) {
                        $numbers = array_values(array_filter(array_map(
                            static fn (array $cell) => $columns[$cell[1]]->number($rows[$cell[0]]),
                            self::cells($derived),
                        )));
                        \assert([] !== $numbers);
                        self::assertSame(
                            $column->number($of)?->strippedOfTrailingZeros()->toString(),
                            $derived->rule->result($numbers)?->strippedOfTrailingZeros()->toString(),
                            "seed $seed, $key, {$column->id()}",
                        );
                        ++$found;
                    }
                }
            }
        }
        self::assertGreaterThan(2000, $found);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\About\Derivation;
use KeenMargin\Core\Workings\About\DerivationRule;
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
        foreach ($workings->columns as $one) {
            if ($one->id() === $column) {
                return Derivation::maybe($row, $one, $workings);
            }
        }
        self::fail("There is no column $column.");
    }

    public function testVariancesAndPercentagesFollowFromTheirRow(): void
    {
        $workings = Written::workings(self::CSV, ['against' => ['BU'], 'forecast' => 'FC']);
        self::assertEquals(
            [DerivationRule::Minus, [['2026-01', 'shown'], ['2026-01', 'BU']]],
            [
                self::how($workings, '2026-01', 'variance:BU')?->step,
                self::how($workings, '2026-01', 'variance:BU')?->of,
            ],
        );
        self::assertEquals(
            [['2026-02', 'variance:BU'], ['2026-02', 'BU']],
            self::how($workings, '2026-02', 'percent:BU')?->of,
        );
        self::assertEquals([['2026-03', 'FC']], self::how($workings, '2026-03', 'shown')?->of);
        self::assertNull(self::how($workings, '2026-01', 'AC'));
    }

    public function testSumsFollowFromTheirRows(): void
    {
        $workings = Written::workings(self::CSV, ['against' => ['BU'], 'forecast' => 'FC']);
        self::assertSame(
            [DerivationRule::Sum, [['2026-01', 'shown'], ['2026-02', 'shown'], ['2026-03', 'shown']]],
            [self::how($workings, 'total', 'shown')?->step, self::how($workings, 'total', 'shown')?->of],
        );
        self::assertSame([['2026-01', 'BU'], ['2026-02', 'BU']], self::how($workings, 'toDate', 'BU')?->of);
        self::assertSame(DerivationRule::Minus, self::how($workings, 'landing', 'variance:BU')?->step);
    }

    public function testAVarianceThatCoversOnlySomeMonthsFollowsFromThose(): void
    {
        $workings = Written::workings("Month,Actual,Budget\n2026-01,302,310\n2026-02,311,\n", ['against' => ['BU']]);
        self::assertSame(
            [DerivationRule::Sum, [['2026-01', 'variance:BU'], ['2026-02', 'variance:BU']]],
            [self::how($workings, 'total', 'variance:BU')?->step, self::how($workings, 'total', 'variance:BU')?->of],
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
            [self::how($workings, '2026-02', 'rate')?->step, self::how($workings, '2026-02', 'rate')?->of],
        );
        self::assertSame(DerivationRule::Minus, self::how($workings, '2026-01', 'unused')?->step);
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
            $rows = array_column($workings->rows, null, 'key') + $workings->sums();
            $columns = array_column(
                array_map(static fn ($column): array => [$column->id(), $column], $workings->columns),
                1,
                0,
            );
            foreach ($rows as $key => $of) {
                foreach ($workings->columns as $column) {
                    $derived = Derivation::maybe((string) $key, $column, $workings);
                    if (null !== $derived) {
                        $numbers = array_values(
                            array_filter(
                                array_map(
                                    static fn (array $cell) => $columns[$cell[1]]->number($rows[$cell[0]]),
                                    $derived->of,
                                ),
                            ),
                        );
                        \assert([] !== $numbers);
                        self::assertSame(
                            $column->number($of)?->strippedOfTrailingZeros()->toString(),
                            $derived->step->result($numbers)?->strippedOfTrailingZeros()->toString(),
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

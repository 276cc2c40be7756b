<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Keeping;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Keeping\AmountChange;
use KeenMargin\Core\Figures\Keeping\CellParts;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\SeriesEdit;
use PHPUnit\Framework\TestCase;

final class CellPartsTest extends TestCase
{
    public function testTheFirstSeriesTakesTheAmountAndTheOthersGiveWay(): void
    {
        $parts = new CellParts(['a' => 100, 'b' => null, 'c' => 25], 1);
        self::assertSame('12.5', (string) $parts->amount());
        self::assertTrue($parts->is(BigDecimal::of('12.50')));
        self::assertSame(
            ['a' => ['was' => 1000, 'is' => 2000], 'c' => ['was' => 250, 'is' => null]],
            $parts->set(BigDecimal::of(20), 2),
        );
        self::assertSame(
            ['a' => ['was' => 100, 'is' => null], 'c' => ['was' => 25, 'is' => null]], $parts->set(null, 1),
        );
    }

    public function testMissingIsNotZero(): void
    {
        $parts = new CellParts(['a' => null], 0);
        self::assertNull($parts->amount());
        self::assertFalse($parts->is(BigDecimal::zero()));
        self::assertTrue($parts->is(null));
        self::assertSame([], $parts->set(null, 0));
    }

    /** Whatever is done and undone in turn, the amounts, their imports and the log of the import are as before. */
    public function testUndoneInTurnNothingHasChanged(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 300; ++$round) {
            $current = new Run();
            for ($i = 0; $i < mt_rand(0, 6); ++$i) {
                $current = $current->with(mt_rand(0, 7), mt_rand(-9, 9), 1);
            }
            $log = new Run();
            $steps = [];
            for ($i = 0; $i < 8; ++$i) {
                $start = mt_rand(0, 7);
                $import = mt_rand(2, 3);
                $changes = [new AmountChange(
                    $start,
                    $current->amounts[$start] ?? null,
                    $current->imports[$start] ?? null,
                    0 === mt_rand(0, 3) ? null : mt_rand(-9, 9),
                )];
                $steps[] = [$current, $log, $changes, $import];
                if ($changes[0]->was === $changes[0]->is) {
                    continue;
                }
                $done = SeriesEdit::do($current, new Run(), $changes, $import);
                self::assertSame([], $done->skipped);
                [$current, $log] = [$done->after, $done->log];
            }
            foreach (array_reverse($steps) as [$before, , $changes, $import]) {
                if ($changes[0]->was === $changes[0]->is) {
                    continue;
                }
                $current = SeriesEdit::undo($current, new Run(), $changes, $import)->after;
                self::assertSame(
                    [self::sorted($before->amounts), self::sorted($before->imports)],
                    [self::sorted($current->amounts), self::sorted($current->imports)],
                    "round $round",
                );
            }
        }
    }

    public function testWhatWasChangedSinceStaysAsItIs(): void
    {
        $run = (new Run())->with(5, 10, 1);
        $change = [new AmountChange(5, 10, 1, 20)];
        $done = SeriesEdit::do($run, new Run(), $change, 2);
        $later = $done->after->with(5, 30, 3);
        $undone = SeriesEdit::undo($later, $done->log, $change, 2);
        self::assertSame([[5], [5 => 30], []], [$undone->skipped, $undone->after->amounts, $undone->done]);
    }

    /**
     * @param array<int, int> $of
     *
     * @return array<int, int>
     */
    private static function sorted(array $of): array
    {
        ksort($of);

        return $of;
    }
}

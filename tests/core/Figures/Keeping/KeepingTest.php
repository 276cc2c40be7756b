<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Keeping;

use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\SeriesMerge;
use KeenMargin\Core\Figures\Keeping\TakeBack;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Imports into one series, and taking them back. Months are counted from 1 here. */
final class KeepingTest extends TestCase
{
    public function testAnImportAddsReplacesAndLeaves(): void
    {
        $merge = SeriesMerge::of(
            new Run([1 => 100, 2 => 200, 3 => 300], [1 => 7, 2 => 7, 3 => 7]), [2 => 200, 3 => 310, 4 => 400], 8,
        );
        self::assertSame(['added' => 1, 'replaced' => 1, 'unchanged' => 1, 'removed' => 0], $merge->counts->toArray());
        self::assertEquals([1 => 100, 2 => 200, 3 => 310, 4 => 400], $merge->after->amounts);
        self::assertEquals([1 => 7, 2 => 8, 3 => 8, 4 => 8], $merge->after->imports, 'the file states month 2 as well');
        self::assertEquals([2 => 200, 3 => 300], $merge->before->amounts);
    }

    public function testReplacingPeriodsRemovesWhatTheFileLacksOfThem(): void
    {
        $run = new Run([1 => 100, 2 => 200, 3 => 300], [1 => 7, 2 => 7, 3 => 7]);
        $merge = SeriesMerge::of($run, [3 => 300], 8, [2 => true, 3 => true]);
        self::assertSame([1, 1], [$merge->counts->unchanged, $merge->counts->removed]);
        self::assertEquals([1 => 100, 3 => 300], $merge->after->amounts);
        self::assertEquals([3 => 300], SeriesMerge::of($run, [3 => 300], 8, null)->after->amounts);
    }

    public function testTakingBackRestoresWhatWasReplaced(): void
    {
        $merge = SeriesMerge::of(new Run([1 => 100], [1 => 7]), [1 => 110, 2 => 200], 8);
        $taken = TakeBack::of(8, $merge->after, [7 => new Run(), 8 => $merge->before]);
        self::assertEquals(new Run([1 => 100], [1 => 7]), $taken->after);
        self::assertSame([1, 1, []], [$taken->gone, $taken->restored, $taken->overwritten]);
    }

    public function testWhatALaterImportOverwroteStays(): void
    {
        $first = SeriesMerge::of(new Run(), [1 => 100, 2 => 200], 7);
        $second = SeriesMerge::of($first->after, [2 => 250], 8);
        $taken = TakeBack::of(7, $second->after, [7 => $first->before, 8 => $second->before]);
        self::assertEquals(new Run([2 => 250], [2 => 8]), $taken->after);
        self::assertSame([2], $taken->overwritten);
        $both = TakeBack::of(8, $taken->after, [8 => $taken->logs[8]]);
        self::assertEquals(new Run(), $both->after, 'the later one found nothing before it');
    }

    public function testARunIsPackedAndUnpackedWhole(): void
    {
        foreach (
            [
                new Run(),
                new Run([5 => -1, 3 => 2], [5 => 1, 3 => 1]),
                new Run([5 => \PHP_INT_MAX, 3 => \PHP_INT_MIN], [5 => 1, 3 => 2]),
            ] as $run
        ) {
            $again = Run::unpack(...$run->pack());
            self::assertEquals([$run->amounts, $run->imports], [$again->amounts, $again->imports]);
        }
    }

    /**
     * Whatever is taken back, in whatever order: the figures are as if it had never come in. An import that removes
     * what its file lacks is taken back latest first; an earlier one may have removed the same before it.
     */
    #[TestWith(['add'])]
    #[TestWith(['replace some'])]
    #[TestWith(['replace all'])]
    public function testTakenBackImportsLeaveNoTrace(string $mode): void
    {
        mt_srand(41);
        for ($round = 0; $round < 1500; ++$round) {
            $files = [];
            for ($import = 1, $count = mt_rand(1, 6); $import <= $count; ++$import) {
                $files[$import] = [self::file(), self::scope($mode)];
            }
            [$run, $logs] = self::brought($files);
            $order = array_keys($files);
            'add' === $mode ? shuffle($order) : rsort($order);
            foreach (\array_slice($order, 0, mt_rand(1, $count)) as $import) {
                $taken = TakeBack::of($import, $run, $logs);
                $run = $taken->after;
                $logs = array_diff_key($taken->logs + $logs, [$import => 0]);
                ksort($logs);
                unset($files[$import]);
                [$wanted] = self::brought($files);
                self::assertEquals(
                    [self::sorted($wanted->amounts), self::sorted($wanted->imports)],
                    [self::sorted($run->amounts), self::sorted($run->imports)],
                    "round $round, $mode",
                );
            }
        }
    }

    /** @return array<int, int> */
    private static function file(): array
    {
        $file = [];
        for ($i = mt_rand(1, 4); $i > 0; --$i) {
            $file[mt_rand(1, 5)] = mt_rand(1, 3);
        }

        return $file;
    }

    /** @return array<int, true>|null */
    private static function scope(string $mode): ?array
    {
        return match ($mode) {
            'add' => [],
            'replace all' => 0 === mt_rand(0, 2) ? null : [],
            default => array_fill_keys(array_map(static fn (): int => mt_rand(1, 5), range(1, mt_rand(1, 3))), true),
        };
    }

    /**
     * @param array<int, array{array<int, int>, array<int, true>|null}> $files
     *
     * @return array{Run, array<int, Run>}
     */
    private static function brought(array $files): array
    {
        $run = new Run();
        $logs = [];
        foreach ($files as $import => [$file, $scope]) {
            $merge = SeriesMerge::of($run, $file, $import, $scope);
            $run = $merge->after;
            $logs[$import] = $merge->before;
        }

        return [$run, $logs];
    }

    /**
     * @param array<int, int> $amounts
     *
     * @return array<int, int>
     */
    private static function sorted(array $amounts): array
    {
        ksort($amounts);

        return $amounts;
    }
}

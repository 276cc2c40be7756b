<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Rows\HalfRead;
use KeenMargin\Core\Figures\Reading\Rows\SecondProcess;
use KeenMargin\Core\Figures\Reading\Rows\SeriesSlice;
use KeenMargin\Core\Figures\Reading\Table\DelimitedRows;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use PHPUnit\Framework\TestCase;

/** A text that two processes read, each a half of it, gives what one alone reads: figures, notices, refusals. */
final class TwoReadersTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'keen-');
    }

    protected function tearDown(): void
    {
        unlink($this->path);
    }

    public function testBothWaysReadTheSameWhateverTheTextHolds(): void
    {
        $both = 0;
        for ($seed = 1; $seed <= 80; ++$seed) {
            file_put_contents($this->path, self::text($seed));
            [$alone] = $this->read(\PHP_INT_MAX);
            [$together, $areTwo] = $this->read(1);
            self::assertSame($alone, $together, "seed $seed");
            $both += $areTwo ? 1 : 0;
        }
        // Refused rows, totals and quotes that run over the middle are read by one: the others by two.
        self::assertGreaterThan(30, $both);
        self::assertLessThan(80, $both);
    }

    public function testASecondProcessTellsValuesAndLeavesNothingBehind(): void
    {
        $slice = new SeriesSlice(['a', str_repeat('b', 300_000)], [7 => 'amounts'], [7 => 2]);
        $second = SecondProcess::maybe(static fn (): array => [$slice, $slice]);
        self::assertNotNull($second);
        self::assertEquals($slice, $second->maybeNext());
        self::assertEquals($slice, $second->maybeNext());
        self::assertNull($second->maybeNext());
        $second->end();
        self::assertSame(-1, pcntl_waitpid(-1, $status, \WNOHANG));
    }

    public function testASecondProcessThatFailsOrIsKilledTellsNoMore(): void
    {
        $slice = new SeriesSlice(['a'], [], []);
        $second = SecondProcess::maybe(static function () use ($slice): \Generator {
            yield $slice;
            throw new \LogicException('It fails here.');
        });
        self::assertNotNull($second);
        self::assertEquals($slice, $second->maybeNext());
        self::assertNull($second->maybeNext());
        $second->end();

        $killed = SecondProcess::maybe(static function () use ($slice): \Generator {
            yield $slice;
            posix_kill((int) getmypid(), \SIGKILL);
            yield $slice;
        });
        self::assertNotNull($killed);
        self::assertEquals($slice, $killed->maybeNext());
        self::assertNull($killed->maybeNext());
        $killed->end();
    }

    /** One that has work for ever is ended all the same. */
    public function testASecondProcessIsEndedWhileItWorks(): void
    {
        $second = SecondProcess::maybe(static function (): \Generator {
            while (true) {
                yield self::nothing();
            }
        });
        self::assertInstanceOf(HalfRead::class, $second?->maybeNext());
        $second->end();
        self::assertNull($second->maybeNext());
        self::assertSame(-1, pcntl_waitpid(-1, $status, \WNOHANG));
    }

    /** @return array{string, bool} what was read, or why not; and whether it was read by two */
    private function read(int $worthTwo): array
    {
        $opened = function (): mixed {
            $stream = fopen($this->path, 'r');

            return \is_resource($stream) ? $stream : throw new \RuntimeException('It cannot be opened.');
        };
        $told = [];
        try {
            $sheet = FileTable::of(new DelimitedRows($opened(), ',', $opened, $worthTwo));
            $read = FactReader::figures(
                $sheet,
                RoleGuess::of($sheet),
                'Figures',
                '',
                static function (int $rows) use (&$told): void {
                    $told[] = $rows;
                },
            );

            return [serialize($read), \count($told) > 1 && $told[0] < $read->rows];
        } catch (RefusedFigures $e) {
            return [$e->getMessage(), false];
        }
    }

    private static function nothing(): HalfRead
    {
        return new HalfRead(
            combinations: 0, starts: [], scale: 0, rows: 0, without: 0, guarded: [], units: [], currencies: [],
        );
    }

    private static function text(int $seed): string
    {
        mt_srand($seed);
        $decimals = [0, 2, [0, 3]][$seed % 3];
        $odd = $seed % 8;
        $lines = ['Month,Route,Vessel,Scenario,Net revenue'];
        for ($row = mt_rand(2, 400); $row > 0; --$row) {
            $places = \is_array($decimals) ? mt_rand(...$decimals) : $decimals;
            $amount = mt_rand(-900, 90_000).(0 === $places ? '' : '.'.mt_rand(10 ** ($places - 1), 10 ** $places - 1));
            $route = ['North', 'Holm', '"Outer, and beyond"', 'Sound'][mt_rand(0, 3)];
            $isOdd = 0 === mt_rand(0, 60);
            $route = match (true) {
                $isOdd && 1 === $odd => "\"two\nlines\"",
                $isOdd && 2 === $odd => 'Total',
                $isOdd && 3 === $odd => "'Holm",
                $isOdd && 4 === $odd => '5" pipe',
                default => $route,
            };
            $amount = match (true) {
                $isOdd && 5 === $odd => 'none',
                $isOdd && 6 === $odd => ['EUR 12', 'USD 12'][mt_rand(0, 1)],
                $isOdd && 7 === $odd => '',
                default => $amount,
            };
            $scenario = ['Actual', 'Budget'][mt_rand(0, 1)];
            $month = \sprintf('2026-%02d', mt_rand(1, 12));
            $lines[] = implode(',', [$month, $route, 'Vessel '.mt_rand(1, 9), $scenario, $amount]);
        }

        return implode(0 === $seed % 5 ? "\r\n" : "\n", $lines).(0 === $seed % 2 ? "\n" : '');
    }
}

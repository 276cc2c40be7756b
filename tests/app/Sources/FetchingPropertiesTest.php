<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Over random histories of the ledger, and random moments of fetching, killing and taking back. */
#[Group('alone')]
final class FetchingPropertiesTest extends TestCase
{
    private const ROUNDS = 2;
    private const STEPS = 14;
    private const CUSTOMERS = ['Aldwick', 'Corran', 'Tarn', 'Outer Co-op'];
    private const MONTHS = ['2026-05', '2026-06', '2026-07', '2026-08'];

    private LedgerService $ledger;
    private SourceHouse $house;

    protected function setUp(): void
    {
        $this->ledger = LedgerService::start();
        $this->house = SourceHouse::open(['KEEN_MAY_REACH' => '127.0.0.1:'.$this->ledger->port]);
    }

    protected function tearDown(): void
    {
        $this->house->close();
        $this->ledger->end();
    }

    /** @return list<array{string, string, int}> */
    private static function history(): array
    {
        $entries = [];
        for ($i = mt_rand(3, 25); $i > 0; --$i) {
            $day = self::MONTHS[array_rand(self::MONTHS)].\sprintf('-%02d', mt_rand(1, 28));
            $entries[] = [$day, self::CUSTOMERS[array_rand(self::CUSTOMERS)], mt_rand(-50, 500)];
        }

        return $entries;
    }

    /**
     * @param list<array{string, string, int}> $entries
     *
     * @return array<string, array<string, string>> sums by month and customer, of the months that have any
     */
    private static function said(array $entries): array
    {
        $sums = [];
        foreach ($entries as [$day, $customer, $amount]) {
            $sums[substr($day, 0, 7)][$customer] = ($sums[substr($day, 0, 7)][$customer] ?? 0) + $amount;
        }
        $said = [];
        foreach ($sums as $month => $byCustomer) {
            ksort($byCustomer);
            $said[$month] = array_map(strval(...), $byCustomer);
        }

        return $said;
    }

    public function testTheDatasetHoldsWhatTheLedgerSaidAtTheLastTakenArrival(): void
    {
        mt_srand(2_900 + (int) getenv('KEEN_SEED'));
        $this->house->in(function (): void {
            for ($round = 0; $round < self::ROUNDS; ++$round) {
                $id = Kept::made("Month,Customer,Freight (EUR)\n2026-05,Aldwick,1\n");
                $this->ledger->tell('/entries', ['entries' => $entries = self::history()]);
                $web = SourceHouse::web($this->ledger->at('/entries?from={from}&to={to}'));
                $source = SourceHouse::kept($id, $web, ['mode' => 'replace all', 'lookBack' => 4]);
                $held = ['2026-05' => ['Aldwick' => '1']];
                $before = [];
                for ($step = 0; $step < self::STEPS; ++$step) {
                    if (0 === mt_rand(0, 1)) {
                        $this->ledger->tell('/entries', ['entries' => $entries = self::history()]);
                    }
                    match (mt_rand(0, 3)) {
                        0 => $this->kill($source),
                        1 => $this->atOnce($source),
                        default => SourceHouse::fetch($source),
                    };
                    SourceHouse::fetch($source);
                    $waiting = SourceHouse::waiting($id);
                    self::assertLessThanOrEqual(1, \count($waiting));
                    if ([] !== $waiting && 0 !== mt_rand(0, 3)) {
                        \assert(\is_array($waiting[0]) && \is_int($waiting[0]['id']));
                        $bytes = Kept::csv($id);
                        $taken = Server::send('POST', "/api/arrivals/{$waiting[0]['id']}/take", '{}', [
                            'Content-Type' => 'application/json',
                        ]);
                        self::assertSame(200, $taken->status, $taken->body);
                        $before[$taken->int('import', 'id')] = $bytes;
                        $held = self::said($entries);
                    }
                    self::assertHolds($held, $id);
                }
                // Taken back in turn, the latest first, each gives what was there before it.
                foreach (array_reverse($before, true) as $import => $bytes) {
                    $back = Server::send('POST', "/api/imports/$import/take-back", ['confirmed' => true]);
                    self::assertSame(200, $back->status, $back->body);
                    self::assertSame($bytes, Kept::csv($id));
                }
            }
        });
    }

    /** @param array<string, array<string, string>> $held */
    private static function assertHolds(array $held, int $dataset): void
    {
        foreach (self::MONTHS as $month) {
            self::assertSame($held[$month] ?? [], SourceHouse::amounts($dataset, $month), $month);
        }
    }

    private function command(int $source): Process
    {
        $environment = $this->house->environment() + ['KEEN_MAY_REACH' => '127.0.0.1:'.$this->ledger->port];

        return new Process(
            [\PHP_BINARY, __DIR__.'/../../../bin/console', 'keen:fetch', (string) $source],
            env: $environment,
            timeout: 120,
        );
    }

    /** A fetch that is killed at a random moment leaves nothing behind that the next one does not put right. */
    private function kill(int $source): void
    {
        $process = $this->command($source);
        $process->start();
        usleep(mt_rand(50_000, 600_000));
        $process->stop(0, \SIGKILL);
    }

    /** Several at once fetch it once: the others find it taken. */
    private function atOnce(int $source): void
    {
        $processes = [$this->command($source), $this->command($source), $this->command($source)];
        array_map(static fn (Process $process) => $process->start(), $processes);
        foreach ($processes as $process) {
            $process->wait();
            self::assertSame(0, $process->getExitCode(), $process->getOutput().$process->getErrorOutput());
        }
    }
}

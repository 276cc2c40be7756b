<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Sources;

use KeenMargin\Tests\app\Answer;
use KeenMargin\Tests\app\Command;
use KeenMargin\Tests\app\Kept;
use KeenMargin\Tests\app\Server;
use PHPUnit\Framework\TestCase;

/** `./keen work`: what is due is fetched, once, also where the machine was off; what fails is tried again. */
final class WorkTest extends TestCase
{
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

    /** @param int $later seconds by which the worker's clock is ahead of the page's */
    private function work(int $later): void
    {
        $environment = $this->house->environment();
        $offset = (string) ((int) $environment['KEEN_CLOCK_OFFSET'] + $later);
        [$code, $output, $errors] = Command::keen(['work', '--once'], environment: [
            'KEEN_CLOCK_OFFSET' => $offset,
            'KEEN_MAY_REACH' => '127.0.0.1:'.$this->ledger->port,
        ] + $environment);
        self::assertSame([0, ''], [$code, $output.$errors]);
    }

    private function kept(int $dataset): int
    {
        return SourceHouse::kept($dataset, SourceHouse::web($this->ledger->at('/entries?from={from}&to={to}')), [
            'schedule' => ['every' => 'hour', 'at' => '00:30'],
            'takes' => 'checked',
            'lookBack' => 3,
        ]);
    }

    private static function state(int $source): Answer
    {
        return Server::send('GET', "/api/sources/$source");
    }

    public function testWhatIsDueIsFetchedOnceHoweverLongTheMachineWasOff(): void
    {
        $this->house->in(function (): void {
            $source = $this->kept(Kept::made("Month,Customer,Freight (EUR)\n2026-06,Halvik Wind,1\n"));
            self::assertSame('2026-09-07T12:30:00', substr(self::state($source)->text('dueAt'), 0, 19));
            $this->work(0);
            self::assertSame('new', self::state($source)->text('state'));
            // Thirty hours off: thirty times were missed.
            $this->work(30 * 3_600);
            $once = self::state($source);
            self::assertSame(['came', '2026-09-08T18:30:00'], [
                $once->text('state'), substr($once->text('dueAt'), 0, 19),
            ]);
            $this->work(30 * 3_600);
            self::assertSame($once->text('triedAt'), self::state($source)->text('triedAt'));
        });
    }

    public function testWhatFailsIsTriedAgainAfterAWhileAndThenWhenItIsDue(): void
    {
        $this->house->in(function (): void {
            $source = $this->kept(Kept::made("Month,Customer,Freight (EUR)\n2026-06,Halvik Wind,1\n"));
            $this->ledger->tell('/faults', ['fail' => 2]);
            $this->work(3_600);
            $failed = self::state($source);
            self::assertSame('fails', $failed->text('state'));
            $pause = strtotime($failed->text('dueAt')) - strtotime($failed->text('triedAt'));
            self::assertSame(120, $pause);
            $this->work(3_600 + 60);
            self::assertSame($failed->text('triedAt'), self::state($source)->text('triedAt'));
            $this->work(3_600 + 180);
            self::assertSame('fails', self::state($source)->text('state'));
            $this->work(3_600 + 1_800);
            self::assertSame('came', self::state($source)->text('state'));
        });
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Tools\SchemaTool;
use KeenMargin\App\Kernel;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Imports\CameLog;
use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Imports\ImportSource;
use KeenMargin\App\Storage\Names\FormerNames;
use KeenMargin\App\Storage\Names\NameKind;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\DatasetTotals;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\App\Storage\Turn\WriteQueue;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\App\Work\HouseClock;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Keeping figures, against a real database file. */
final class StorageTest extends TestCase
{
    private string $file;
    private Kernel $kernel;
    private EntityManagerInterface $manager;
    private SeriesStore $store;

    protected function setUp(): void
    {
        $this->file = sys_get_temp_dir().'/keen-storage-'.bin2hex(random_bytes(4)).'.sqlite';
        $_SERVER['KEEN_DATA'] = $_ENV['KEEN_DATA'] = $this->file;
        $_SERVER['APP_SECRET'] = $_ENV['APP_SECRET'] = 'x';
        $this->kernel = new Kernel('prod', false);
        $this->kernel->boot();
        $doctrine = $this->kernel->getContainer()->get('doctrine');
        \assert($doctrine instanceof \Doctrine\Bundle\DoctrineBundle\Registry);
        $manager = $doctrine->getManager();
        \assert($manager instanceof EntityManagerInterface);
        $this->manager = $manager;
        Migrated::to('latest', $this->file);
        $this->store = new SeriesStore($this->connection());
    }

    protected function tearDown(): void
    {
        $this->connection()->close();
        $this->kernel->shutdown();
        restore_exception_handler();
        unset($_SERVER['KEEN_DATA'], $_ENV['KEEN_DATA']);
        array_map(unlink(...), glob($this->file.'*') ?: []);
    }

    private function connection(): Connection
    {
        return $this->manager->getConnection();
    }

    private function keep(string $csv): DatasetRecord
    {
        return $this->keeper()->create(
            new ReadFigures(Written::figures($csv, [], 'Kept'), 1, 0),
            new ImportSource('kept.csv', str_repeat('0', 32), [], ''),
        )->dataset;
    }

    private function keeper(): ImportKeeper
    {
        return new ImportKeeper(
            manager: $this->manager,
            store: $this->store,
            totals: new DatasetTotals($this->store),
            files: KeptFiles::beside($this->file),
            turn: new WriteTurn($this->manager, new WriteQueue($this->file)),
            job: new CurrentJob($this->manager->getConnection()),
            came: new CameLog($this->manager->getConnection(), new HouseClock()),
        );
    }

    private function rows(string $table): int
    {
        $count = $this->connection()->fetchOne("SELECT COUNT(*) FROM $table");

        return \is_int($count) ? $count : -1;
    }

    public function testMigrationsMakeTheSchemaThatTheEntitiesWant(): void
    {
        $sql = (new SchemaTool($this->manager))->getUpdateSchemaSql(
            $this->manager->getMetadataFactory()->getAllMetadata(),
        );
        self::assertSame(
            [],
            array_values(
                array_filter($sql, static fn (string $line): bool => !str_contains($line, 'migration_versions')),
            ),
        );
    }

    public function testForeignKeysAreOnAndReadersGoOnWhileOneWrites(): void
    {
        self::assertSame(1, $this->connection()->fetchOne('PRAGMA foreign_keys'));
        self::assertSame('wal', $this->connection()->fetchOne('PRAGMA journal_mode'));
        self::assertSame(5000, $this->connection()->fetchOne('PRAGMA busy_timeout'));
    }

    public function testAmountsComeBackToTheLastDigit(): void
    {
        $record = $this->keep("Month,Actual\n2026-01,1234567890123.4567\n2026-02,-0.0001\n2026-03,0\n");
        $sums = (new StoredFigures($record, $this->store))->sums(['Amount'], []);
        foreach (
            ['2026-01' => '1234567890123.4567', '2026-02' => '-0.0001', '2026-03' => '0.0000'] as $month => $amount
        ) {
            self::assertSame($amount, $sums->amount('Amount', Scenario::Actual, Period::of($month))?->toString());
        }
    }

    public function testFiltersOverSeveralBreakdowns(): void
    {
        $record = $this->keep(
            "Month,Route,Class,Actual\n2026-01,North,Cars,1\n2026-01,North,Vans,2\n2026-01,Holm,Cars,4\n".
                "2026-01,Outer,Cars,8\n",
        );
        $sum = fn (MemberFilter ...$where): ?string => (new StoredFigures($record, $this->store))
            ->sums(['Amount'], array_values($where))
            ->amount('Amount', Scenario::Actual, Period::of('2026-01'))
            ?->toString();
        self::assertSame('15', $sum());
        self::assertSame('5', $sum(new MemberFilter('Route', ['North', 'Holm']), new MemberFilter('Class', ['Cars'])));
        self::assertSame('7', $sum(new MemberFilter('Route', ['Outer'], false)));
        self::assertNull($sum(new MemberFilter('Route', ['Holm']), new MemberFilter('Class', ['Vans'])));
    }

    public function testWhatCannotBeKeptLeavesNothingBehind(): void
    {
        $this->keep("Month,Actual\n2026-01,1\n");
        $before = array_map($this->rows(...), [
            'dataset', 'measure', 'import', 'series', 'packed', 'touched', 'series_total',
        ]);
        try {
            $this->keep("Month,Actual\n2026-01,123456789012345678\n2026-02,0.0000000001\n");
            self::fail('It was kept.');
        } catch (RefusedFigures $refused) {
            self::assertStringContainsString(
                'has too many digits beside amounts with 10 decimals', $refused->getMessage(),
            );
        }
        self::assertSame(
            $before,
            array_map($this->rows(...), [
                'dataset', 'measure', 'import', 'series', 'packed', 'touched', 'series_total',
            ]),
        );
    }

    public function testASumThatDoesNotFitIsRefusedAndNeverRounded(): void
    {
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage('The sum has more digits than can be kept exactly.');
        $this->keep(
            "Month,Route,Actual\n".
                implode('', array_map(static fn (int $i): string => "2026-01,R$i,999999999999999999\n", range(1, 20))),
        );
    }

    public function testADatasetTakesItsFactsAndChartsWithIt(): void
    {
        $record = $this->keep("Month,Route,Actual\n2026-01,North,1\n2026-02,Holm,2\n");
        $this->manager->persist(new ChartRecord($record, 'A chart', []));
        $this->manager->flush();
        $this->connection()->executeStatement('DELETE FROM dataset WHERE id = ?', [$record->id]);
        $tables = ['measure', 'breakdown', 'member', 'import', 'chart', 'series', 'packed', 'touched', 'series_total'];
        foreach ($tables as $table) {
            self::assertSame(0, $this->rows($table), $table);
        }
    }

    public function testWhoeverReadNamesBeforeARestorationIsTakenToKnowAll(): void
    {
        $names = new FormerNames($this->connection());
        self::assertSame([0, null], [$names->latest(), $names->maybeKnown(7)]);
        $this->keep("Month,Route,Actual\n2026-01,North,1\n");
        $this->connection()->executeStatement('UPDATE store SET epoch = 1000');
        $member = $this->connection()->fetchOne('SELECT id FROM member');
        self::assertIsInt($member);
        $names->lose(NameKind::Member, $member);
        self::assertSame(
            [1000, null, null, null, null], array_map($names->maybeKnown(...), [1000, 1001, 7, null, 2000]),
        );
    }

    public function testWhatIsDeletedForGoodKeepsItsName(): void
    {
        $chart = new ChartRecord($this->keep("Month,Route,Actual\n2026-01,North,1\n"), 'A chart', []);
        $chart->deletedAt = new \DateTimeImmutable('2026-01-01');
        $this->manager->persist($chart);
        $this->manager->flush();
        $names = new FormerNames($this->connection());
        $names->loseDeleted('chart', '2026-02-01');
        self::assertSame(
            ['A chart', null],
            [$names->maybeLast('chart', (int) $chart->id), $names->maybeLast('dataset', (int) $chart->id)],
        );
    }

    public function testTotalsByMemberAnswerAsTheSeriesThemselves(): void
    {
        mt_srand(81);
        $csv = "Month,Route,Customer,Actual,Budget\n";
        foreach (range(1, 3) as $month) {
            foreach (range(1, 60) as $customer) {
                $csv .= \sprintf(
                    "2026-%02d,R%d,C%d,%d.%02d,%d\n",
                    $month,
                    $customer % 3,
                    $customer,
                    mt_rand(-900, 900),
                    mt_rand(0, 99),
                    mt_rand(0, 900),
                );
            }
        }
        $record = $this->keep($csv);
        self::assertTrue($this->store->keepsTotalsOf((int) $record->id, 0), 'three routes beside 120 series');
        self::assertFalse($this->store->keepsTotalsOf((int) $record->id, 1));
        $stored = new StoredFigures($record, $this->store);
        $memory = Written::figures($csv);
        foreach (
            [
                [],
                [new MemberFilter('Route', ['R1'])],
                [new MemberFilter('Route', ['R1'], false)],
                [new MemberFilter('Customer', ['C3', 'C4', 'C5'])],
                [new MemberFilter('Customer', ['C3'], false), new MemberFilter('Route', ['R0', 'R1'])],
            ] as $i => $where
        ) {
            foreach (['Route', 'Customer'] as $by) {
                $ours = $stored->sumsBy($by, ['Amount'], $where, Scenario::cases());
                $theirs = $memory->sumsBy($by, ['Amount'], $where, Scenario::cases());
                self::assertSame(array_keys($theirs), array_keys($ours), "$by, filter $i");
                foreach ($theirs as $member => $sums) {
                    foreach ([Scenario::Actual, Scenario::Budget] as $scenario) {
                        self::assertEquals(
                            $sums->amount('Amount', $scenario, Period::month(2026, 2)),
                            $ours[$member]->amount('Amount', $scenario, Period::month(2026, 2)),
                        );
                    }
                }
            }
            self::assertEquals(
                $memory->sums(['Amount'], $where)->amount('Amount', Scenario::Actual, Period::month(2026, 3)),
                $stored->sums(['Amount'], $where)->amount('Amount', Scenario::Actual, Period::month(2026, 3)),
            );
        }
    }
}

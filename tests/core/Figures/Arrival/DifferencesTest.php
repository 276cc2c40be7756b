<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Arrival;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Arrival\ArrivalCounts;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Figures\Arrival\KnownPeriods;
use KeenMargin\Core\Figures\Arrival\Picked;
use KeenMargin\Core\Figures\Arrival\TakesBySelf;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What an arrival would change, added up by period and member. */
final class DifferencesTest extends TestCase
{
    private const CSV = "Month,Route,Actual\n2026-06,North,10\n2026-06,Holm,5\n2026-07,North,20\n";

    private static function dataset(?string $closed = '2026-06'): Dataset
    {
        $dataset = Written::figures(self::CSV)->dataset();

        return With::of($dataset, ['closedThrough' => null === $closed ? null : Period::of($closed)]);
    }

    private static function start(string $key): int
    {
        return Period::of($key)->start;
    }

    public function testAddedChangedAndRemovedAreToldApartByPeriodAndClosing(): void
    {
        [$june, $july, $august] = array_map(self::start(...), ['2026-06', '2026-07', '2026-08']);
        $differences = new Differences(new KnownPeriods(self::dataset()));
        $north = Series::of('Amount', Scenario::Actual, ['North']);
        $differences->addSeries($north, [$june => 10, $july => 20], [$june => 12, $july => 20, $august => 7]);
        $differences->addSeries(Series::of('Amount', Scenario::Actual, ['Holm']), [$june => 5], []);
        self::assertSame(
            ['added' => 1, 'changed' => 1, 'removed' => 1, 'inNewPeriods' => 1, 'inClosedPeriods' => 2],
            $differences->counts()->toArray(),
        );
        $periods = array_map(
            static fn (array $row): array => [$row['start'], $row['sum']->change, $row['sum']->cells],
            $differences->periods(),
        );
        self::assertSame([[$june, -3, 2], [$august, 7, 1]], $periods);
        $members = array_map(
            static fn (array $row): array => [$row['member'], $row['sum']->change],
            $differences->members(0),
        );
        self::assertSame([['North', 9], ['Holm', -5]], $members);
        self::assertSame([-5, 2, 7], array_map(static fn ($one): int => $one->change(), $differences->each()));
    }

    public function testWhereNobodyHasClosedTheBooksTheLastMonthIsOpen(): void
    {
        $known = new KnownPeriods(self::dataset(null));
        self::assertSame([true, false, false], array_map(
            static fn (string $key): bool => $known->isClosed(self::start($key)),
            ['2026-06', '2026-07', '2026-08'],
        ));
    }

    /** Sums that outgrow the machine's integers stay exact. */
    public function testSumsStayExact(): void
    {
        $differences = new Differences(new KnownPeriods(self::dataset()));
        foreach (['a', 'b', 'c', 'd'] as $name) {
            $series = Series::of('Amount', Scenario::Actual, [$name]);
            $differences->addSeries($series, [], [self::start('2026-08') => 4_000_000_000_000_000_001]);
        }
        self::assertSame('16000000000000000004', (string) $differences->periods()[0]['sum']->change);
    }

    /** @return iterable<string, array{TakesBySelf, ArrivalCounts, list<string>, bool}> */
    public static function policies(): iterable
    {
        $new = new ArrivalCounts(added: 4, inNewPeriods: 4);
        $open = new ArrivalCounts(added: 4, changed: 1, inNewPeriods: 4);
        $closed = new ArrivalCounts(changed: 1, inClosedPeriods: 1);
        yield 'never' => [TakesBySelf::Nothing, $new, [], false];
        yield 'new periods' => [TakesBySelf::NewPeriods, $new, [], true];
        yield 'a change is not new' => [TakesBySelf::NewPeriods, $open, [], false];
        yield 'open periods' => [TakesBySelf::OpenPeriods, $open, [], true];
        yield 'a closed one waits' => [TakesBySelf::OpenPeriods, $closed, [], false];
        yield 'whatever holds' => [TakesBySelf::WhatHolds, $closed, [], true];
        yield 'what does not hold waits' => [TakesBySelf::WhatHolds, $new, ['A total does not add up.'], false];
    }

    /** @param list<string> $failing */
    #[DataProvider('policies')]
    public function testWhatMayComeInByItself(
        TakesBySelf $takes,
        ArrivalCounts $counts,
        array $failing,
        bool $lets,
    ): void {
        self::assertSame($lets, $takes->lets($counts, $failing));
    }

    public function testThePickedPartHasNoMembersThatOnlyTheRestNames(): void
    {
        $read = new ReadFigures(Written::figures(self::CSV), 3, 0);
        $picked = new Picked([self::start('2026-06') => true], ['Route' => ['Holm' => true]]);
        $part = $picked->of($read)->table;
        self::assertSame([1, ['Holm']], [$part->count(), $part->dataset()->breakdowns[0]->members]);
        $all = (new Picked(null, []))->of($read)->table;
        self::assertSame([3, ['North', 'Holm']], [$all->count(), $all->dataset()->breakdowns[0]->members]);
    }
}

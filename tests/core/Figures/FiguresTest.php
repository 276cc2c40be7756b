<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class FiguresTest extends TestCase
{
    public function testTheClosingPeriodIsTheLastWithActuals(): void
    {
        $dataset = Written::figures("Month,Actual,Budget\n2026-01,1,1\n2026-02,2,2\n2026-03,,3\n")->dataset();
        self::assertSame('2026-02', $dataset->closing()->key());
        self::assertSame('2026-03', Written::figures("Month,Budget\n2026-03,3\n")->dataset()->closing()->key());
    }

    public function testCoverageTellsWhichScenarioHasWhichPeriod(): void
    {
        $dataset = Written::figures("Month,Actual,Budget\n2026-03,,3\n2026-01,1,1\n2026-02,2,\n")->dataset();
        self::assertSame(
            ['2026-01', '2026-02'],
            array_map(static fn (Period $period): string => $period->key(), $dataset->coverage->periods['AC']),
        );
        self::assertSame(
            ['2026-01', '2026-03'],
            array_map(static fn (Period $period): string => $period->key(), $dataset->coverage->periods['BU']),
        );
        self::assertSame(
            ['2026-01', '2026-03'], [$dataset->coverage->first()?->key(), $dataset->coverage->last()?->key()],
        );
        self::assertSame(Grain::Month, $dataset->grain);
    }

    public function testPriorYearIsThereAsSoonAsTwoYearsOfActualsAre(): void
    {
        $has = static fn (string $csv): bool => \in_array(
            Scenario::PriorYear, Written::figures($csv)->dataset()->scenarios(), true,
        );
        self::assertFalse($has("Month,Actual\n2026-01,1\n2026-12,1\n"));
        self::assertTrue($has("Month,Actual\n2025-01,1\n2026-01,1\n"));
        self::assertTrue($has("Month,Actual,Prior year\n2026-01,1,1\n"));
    }

    public function testSumsOverFilteredMembersAreExactAtAnyLengthAndScale(): void
    {
        mt_srand(21);
        for ($round = 0; $round < 40; ++$round) {
            $csv = "Month,Route,Class,Actual\n";
            $naive = [];
            for ($i = 0; $i < 60; ++$i) {
                $route = 'R'.mt_rand(1, 4);
                $class = 'C'.mt_rand(1, 3);
                $month = '2026-0'.mt_rand(1, 3);
                $digits = (string) mt_rand(1, 999999).(0 === $round % 4 ? str_pad((string) mt_rand(), 10, '7') : '');
                $amount = (0 === mt_rand(0, 1) ? '-' : '').$digits.(mt_rand(0, 1) > 0 ? '.'.mt_rand(0, 99) : '');
                $csv .= "$month,$route,$class,$amount\n";
                if ('R2' !== $route && \in_array($class, ['C1', 'C3'], true)) {
                    $naive[$month] = ($naive[$month] ?? BigDecimal::zero())->plus($amount);
                }
            }
            $sums = Written::figures($csv, ['decimal' => '.'])->sums(
                ['Amount'], [new MemberFilter('Route', ['R2'], false), new MemberFilter('Class', ['C1', 'C3'])],
            );
            foreach (['2026-01', '2026-02', '2026-03'] as $month) {
                self::assertSame(
                    isset($naive[$month]), null !== $sums->amount('Amount', Scenario::Actual, Period::of($month)),
                );
                self::assertTrue(
                    ($naive[$month] ?? BigDecimal::zero())->isEqualTo(
                        $sums->amount('Amount', Scenario::Actual, Period::of($month)) ?? 0,
                    ),
                    "round $round, $month",
                );
            }
        }
    }

    public function testSumsTooLongForAMachineNumberStayExact(): void
    {
        $nines = str_repeat('9', 17);
        $csv =
            "Month,Route,Actual\n".
            implode('', array_map(static fn (int $i): string => "2026-01,R$i,$nines\n", range(1, 200)));
        self::assertSame(
            (string) BigDecimal::of($nines)->multipliedBy(200),
            (string) Written::figures($csv)
                ->sums(['Amount'], [])
                ->amount('Amount', Scenario::Actual, Period::of('2026-01')),
        );
    }

    public function testSumsOfMembersAddUpToThoseOfAllHoweverLarge(): void
    {
        $csv = "Month,Route,Actual,Budget\n";
        // Twelve of the largest outgrow the machine's integers.
        foreach ([...array_fill(0, 12, '99999999999999.9999'), '-5', '0.25', ''] as $i => $amount) {
            $csv .= "2026-01,R$i,$amount,".($i + 1)."\n2026-02,R$i,$i,\n";
        }
        $figures = Written::figures($csv);
        $measure = $figures->dataset()->measures[0]->name;
        $added = Sums::of($figures->sumsBy('Route', [$measure], [], Scenario::cases()));
        foreach (['2026-01', '2026-02'] as $month) {
            foreach ([Scenario::Actual, Scenario::Budget] as $scenario) {
                $period = Period::of($month);
                self::assertSame(
                    $figures->sums([$measure], [])->amount($measure, $scenario, $period)?->toString(),
                    $added->amount($measure, $scenario, $period)?->toString(),
                );
            }
        }
    }
}

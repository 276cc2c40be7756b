<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Checking;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Checking\CheckFinding;
use KeenMargin\Core\Figures\Checking\DatasetChecks;
use KeenMargin\Core\Figures\Checking\FindingTarget;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Time\Period;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DatasetChecksTest extends TestCase
{
    /** @return array<string, CheckFinding> by id */
    private static function of(string $csv, ?string $closing = null, ?Breakdown $breakdown = null): array
    {
        $figures = Written::figures($csv);
        $own = $figures->dataset();
        $dataset = new Dataset(
            name: $own->name,
            measures: $own->measures,
            breakdowns: null === $breakdown ? $own->breakdowns : [$breakdown],
            grain: $own->grain,
            calendar: $own->calendar,
            coverage: $own->coverage,
            closedThrough: null === $closing ? null : Period::of($closing),
            organisation: '',
            notices: $own->notices,
        );
        $findings = DatasetChecks::of(
            $dataset,
            array_map(
                static fn (Series $one, string $packed): array => [$one, $packed],
                $figures->series,
                $figures->packed,
            ),
        );

        return array_combine(
            array_map(static fn (CheckFinding $finding): string => $finding->id, $findings),
            $findings,
        );
    }

    /** @param list<string> $places each as `AC 2026-03 North 5` */
    #[DataProvider('examples')]
    public function testFinds(string $csv, string $check, string $says, array $places, ?string $closing = null): void
    {
        $finding = self::of($csv, $closing)[$check];
        self::assertSame([$says, [] === $places], [$finding->says, $finding->holds]);
        self::assertSame(
            $places,
            array_map(
                static fn (FindingTarget $place): string => trim(
                    implode(' ', [
                        $place->scenario->value,
                        $place->period?->key() ?? '-',
                        implode('/', $place->members),
                        $place->amount,
                    ]),
                ),
                $finding->places,
            ),
        );
        self::assertSame(\count($places), $finding->count);
    }

    /** @return \Generator<string, array{string, string, string, list<string>, 4?: string}> */
    public static function examples(): \Generator
    {
        $year = static function (string $line, ?int ...$amounts): string {
            $rows = '';
            foreach (array_values($amounts) as $i => $amount) {
                $rows .= \sprintf("2026-%02d,%s,%s\n", $i + 1, $line, $amount);
            }

            return $rows;
        };
        $head = "Month,Line,Actual\n";
        yield 'no gap' => [$head.$year('Fuel', 5, 6, 7, 6, 5, 6), 'gaps', 'No line has a gap', []];
        yield 'a month that all lines lack' => [
            $head.$year('Fuel', 5, 6, null, 6, 5, 6).$year('Crew', 1, 1, null, 1, 1, 1),
            'gaps',
            'No line has a gap',
            [],
        ];
        yield 'a gap' => [
            $head.$year('Fuel', 5, 6, null, 6, 5, 6).$year('Crew', 1, 1, 1, 1, 1, 1),
            'gaps',
            '1 gap within lines: Fuel, actual, Mar 2026',
            ['AC 2026-03 Fuel'],
        ];
        yield 'a line that comes and goes' => [
            $head.$year('Charter', 5, null, null, 6, null, 6).$year('Crew', 1, 1, 1, 1, 1, 1),
            'gaps',
            'No line has a gap',
            [],
        ];
        yield 'one period' => [$head.$year('Fuel', 5), 'gaps', 'No line has a gap', []];
        yield 'fuel with both signs' => [
            $head.$year('Fuel', 310, -5), 'mixed-signs', 'Fuel has mixed signs, in 1 amount', ['AC 2026-02 Fuel -5'],
        ];
        yield 'a result may be of either sign' => [
            $head.$year('Result', 310, -5, 20, -30, -8, 9), 'mixed-signs', 'No line has mixed signs', [],
        ];
        yield 'all negative' => [$head.$year('Fuel', -310, -5, -20), 'mixed-signs', 'No line has mixed signs', []];
        yield 'ten times' => [
            $head.$year('Fuel', 31, 30, 300, 29, 30),
            'outliers',
            '1 amount stands out from its line’s history: Fuel, actual, Mar 2026 is 300',
            ['AC 2026-03 Fuel 300'],
        ];
        yield 'nine times' => [
            $head.$year('Fuel', 31, 30, 270, 29, 30), 'outliers', 'No amount stands out from its own history', [],
        ];
        yield 'sign turned' => [
            $head.$year('Fuel', 31, 30, -30, 29, 30),
            'outliers',
            '1 amount stands out from its line’s history: Fuel, actual, Mar 2026 is −30',
            ['AC 2026-03 Fuel -30'],
        ];
        yield 'zeros have no usual size' => [
            $head.$year('Fuel', 0, 0, 0, 0, 7), 'outliers', 'No amount stands out from its own history', [],
        ];
        yield 'budget missing in the middle' => [
            "Month,Actual,Budget\n2026-01,5,5\n2026-02,5,\n2026-03,5,5\n",
            'scenarios-complete',
            'Budget is missing for Feb 2026',
            ['BU 2026-02'],
        ];
        yield 'no budget before it began' => [
            "Month,Actual,Budget\n2026-01,5,\n2026-02,5,5\n2026-03,5,5\n",
            'scenarios-complete',
            'Every scenario is there wherever it is needed',
            [],
        ];
        yield 'actual missing before the closing period' => [
            "Month,Actual\n2026-01,5\n2026-03,5\n",
            'scenarios-complete',
            'Actual is missing for Feb 2026',
            ['AC 2026-02'],
        ];
        yield 'a forecast that actuals have caught up with' => [
            "Month,Actual,Forecast\n2026-01,5,\n2026-02,5,6\n2026-03,,6\n",
            'closing',
            'Actual ends and forecast begins at the closing period',
            [],
        ];
        yield 'forecast instead of actual before the closing period' => [
            "Month,Actual,Forecast\n2026-01,5,\n2026-02,,6\n2026-03,5,\n",
            'closing',
            'There is forecast and no actual for Feb 2026, before the books are closed',
            ['FC 2026-02'],
        ];
        yield 'books of a month that is not over' => [
            "Date,Actual\n2026-01-01,5\n2026-01-10,5\n",
            'closing',
            'January has actuals to the 10th only, and the books are closed through all of it',
            ['AC 2026-01-10'],
            '2026-01',
        ];
        yield 'books of a month whose last days have no figures' => [
            "Date,Actual\n2026-01-01,5\n2026-01-28,5\n",
            'closing',
            'Actual ends and forecast begins at the closing period',
            [],
            '2026-01',
        ];
        yield 'a daily actual and a budget by month' => [
            "Date,Actual,Budget\n2026-01-01,,9\n2026-01-05,5,\n2026-01-20,5,\n2026-02-01,,9\n2026-02-03,5,\n",
            'scenarios-complete',
            'Every scenario is there wherever it is needed',
            [],
        ];
        yield 'a daily actual whose month has no budget' => [
            "Date,Actual,Budget\n2026-01-01,,9\n2026-01-05,5,\n2026-02-03,5,\n",
            'scenarios-complete',
            'Budget is missing for Feb 2026',
            ['BU 2026-02'],
        ];
        yield 'a prior year that is derived where it did not come in' => [
            "Month,Actual,PY\n".
            implode(
                '',
                array_map(
                    static fn (int $i): string => \sprintf(
                        "%d-%02d,5,%s\n",
                        2025 + intdiv($i, 12),
                        ($i % 12) + 1,
                        12 === $i ? '4' : '',
                    ),
                    range(0, 13),
                ),
            ),
            'scenarios-complete',
            'Every scenario is there wherever it is needed',
            [],
        ];
        yield 'actual after it' => [
            "Month,Actual\n2026-01,5\n2026-02,5\n2026-03,5\n",
            'closing',
            'There is actual for Feb 2026 and Mar 2026, after the books are closed',
            ['AC 2026-02', 'AC 2026-03'],
            '2026-01',
        ];
        yield 'a list without periods' => [
            "Line,Actual\nFuel,5\nCrew,-3\n", 'mixed-signs', 'No line has mixed signs', [],
        ];
    }

    public function testASubtotalMayBeOfEitherSign(): void
    {
        $csv = "Month,Line,Actual\n2026-01,Result,5\n2026-02,Result,6\n2026-03,Result,-7\n2026-04,Result,5\n";
        self::assertFalse(self::of($csv)['outliers']->holds);
        self::assertTrue(
            self::of($csv, null, new Breakdown('Line', ['Result'], [], ['Result' => LineRole::Subtotal]))['outliers']
                ->holds,
        );
    }

    public function testAnAcceptedCheckIsKnownByWhatItFound(): void
    {
        $mark = static fn (string $amount): string => self::of(
            "Month,Line,Actual\n2026-01,Fuel,310\n2026-02,Fuel,$amount\n",
        )['mixed-signs']->mark();
        self::assertSame($mark('-5'), $mark('-5'));
        self::assertNotSame($mark('-5'), $mark('-6'));
    }

    public function testWhatDoesNotHoldComesFirstAndMembersSeenFirstAreNamed(): void
    {
        $findings = array_values(self::of("Month,Actual,Budget\n2026-01,5,5\n2026-02,5,\n2026-03,5,5\n"));
        self::assertSame([false, true], [$findings[0]->holds, $findings[1]->holds]);
        self::assertSame(
            'Seen for the first time in august.csv: "Norht" of Route',
            Notice::ofNewMembers(['Route' => ['Norht']], 'august.csv')[0]->says,
        );
        self::assertSame(
            [[], false],
            [Notice::ofNewMembers([], 'x'), Notice::ofNewMembers(['Route' => ['a']], 'x')[0]->isOfCharts()],
        );
    }
}

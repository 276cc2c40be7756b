<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\FactFilter;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\RowActions;
use KeenMargin\Core\Workings\About\RowFigures;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Where to go from a row, and what it is made of. */
final class RowActionsTest extends TestCase
{
    private static function figures(): FactTable
    {
        $csv = "Month,Route,Class,Actual,Budget\n";
        foreach (['2025-12', '2026-01', '2026-02', '2026-03'] as $month) {
            foreach (['North', 'Holm', 'Outer'] as $i => $route) {
                $csv .= "$month,$route,Foot,".(10 * $i + 1).",5\n$month,$route,Vehicle,2,2\n";
            }
        }

        return Written::figures($csv);
    }

    /** @param array<string, mixed> $question */
    private static function steps(array $question, string $key, string $kind = 'variance-tiers'): RowActions
    {
        $recipe = Written::recipe(
            $question, ['highlight' => ['x'], 'message' => ['text' => 'm'], 'unit' => 'k'], $kind,
        );
        $workings = Drawing::workings($recipe, self::figures(), ChartKinds::all());

        return RowActions::of(
            $workings->table->rowsByKey()[$key], $workings, $recipe, self::figures()->dataset(), ChartKinds::all(),
        );
    }

    /** @return array<string, mixed> the question of a way */
    private static function question(RowActions $steps, string $by): array
    {
        foreach ($steps->deeper as $way) {
            if ($way['by'] === $by) {
                return RecipeWriter::question($way['recipe']->question);
            }
        }
        self::fail("There is no way by $by.");
    }

    public function testAMonthIsLookedIntoByItsMembers(): void
    {
        $steps = self::steps(['against' => ['BU'], 'cumulate' => 'year to date'], '2026-02');
        self::assertSame(['Route', 'Class'], array_column($steps->deeper, 'by'));
        self::assertSame(
            [
                'scenario' => 'AC',
                'against' => ['BU'],
                'by' => 'Route',
                'span' => ['from' => '2026-02', 'to' => '2026-02'],
            ],
            self::question($steps, 'Route'),
        );
        self::assertSame(['by route', 'by class'], array_column($steps->deeper, 'label'));
        $finish = $steps->deeper[0]['recipe']->finish;
        self::assertSame([[], null, 'k'], [$finish->highlight, $finish->message, $finish->unit?->value]);
    }

    public function testAQuarterIsLookedIntoByMonthsToo(): void
    {
        self::assertSame(
            ['Route', 'Class', 'month'], array_column(self::steps(['by' => 'quarter'], '2026-Q1')->deeper, 'by'),
        );
    }

    public function testAMemberIsLookedIntoByOthersAndByTime(): void
    {
        $steps = self::steps(['by' => 'Route', 'order' => 'largest first', 'top' => 2], 'Outer');
        self::assertSame(['Class', 'month', 'quarter'], array_column($steps->deeper, 'by'));
        self::assertSame(
            ['scenario' => 'AC', 'by' => 'month', 'where' => [['field' => 'Route', 'in' => ['Outer']]]],
            self::question($steps, 'month'),
        );
    }

    public function testAGroupIsLookedIntoByWhatStandsInIt(): void
    {
        $figures = Written::grouped(self::figures(), 'Route', ['North' => 'Inner', 'Holm' => 'Inner']);
        $recipe = Written::recipe(['by' => 'Route']);
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        $steps = RowActions::of(
            $workings->table->rowsByKey()['Inner'], $workings, $recipe, $figures->dataset(), ChartKinds::all(),
        );
        self::assertContains('Route', array_column($steps->deeper, 'by'));
        $within = Drawing::workings($steps->deeper[0]['recipe'], $figures, ChartKinds::all());
        self::assertContains('North', $within->table->keys());
        self::assertNotContains('Outer', $within->table->keys());
    }

    public function testWhatIsGatheredIsNotLookedInto(): void
    {
        self::assertSame([], self::steps(['by' => 'Route', 'top' => 1], 'other')->deeper);
    }

    public function testTheWholeIsLookedIntoWithoutMembers(): void
    {
        self::assertSame(
            ['Route', 'Class', 'month', 'quarter'], array_column(self::steps(['by' => 'Route'], 'total')->deeper, 'by'),
        );
    }

    public function testAMemberIsLeftOut(): void
    {
        $without = self::steps(['by' => 'Route'], 'North')->without;
        self::assertSame(
            [['field' => 'Route', 'notIn' => ['North']]],
            RecipeWriter::question(($without ?? throw new \LogicException())->question)['where'],
        );
        $without = self::steps(
            ['by' => 'Route', 'where' => [['field' => 'Route', 'in' => ['North', 'Holm']]]], 'North',
        )->without;
        self::assertSame(
            [['field' => 'Route', 'in' => ['Holm']]],
            RecipeWriter::question(($without ?? throw new \LogicException())->question)['where'],
        );
        self::assertSame(
            'It is the only one.',
            self::steps(['by' => 'Route', 'where' => [['field' => 'Route', 'in' => ['Holm']]]], 'Holm')->whyNot,
        );
    }

    public function testOnlyTheEndsOfTimeAreLeftOut(): void
    {
        $span = static fn (string $key): mixed => RecipeWriter::question(
            (self::steps([], $key)->without ?? throw new \LogicException())->question,
        )['span'];
        self::assertSame(['from' => '2026-01', 'to' => '2026-03'], $span('2025-12'));
        self::assertSame(['from' => '2025-12', 'to' => '2026-02'], $span('2026-03'));
        self::assertNull(self::steps([], '2026-01')->without);
        self::assertStringContainsString('first and the last period', self::steps([], '2026-01')->whyNot);
        self::assertSame('It is the sum of the others.', self::steps(['by' => 'Route'], 'total')->whyNot);
    }

    /** @param array<string, mixed> $question */
    private static function made(array $question, string $key): FactFilter
    {
        $recipe = Written::recipe($question);
        $workings = Drawing::workings($recipe, self::figures(), ChartKinds::all());

        return self::facts($key, $workings, $recipe, self::figures(), Scenario::Actual);
    }

    private static function facts(
        string $key,
        Workings $workings,
        Recipe $recipe,
        Figures $figures,
        Scenario $scenario,
    ): FactFilter {
        return (new RowFigures($workings->table->rowsByKey()[$key], $workings, $recipe->question, $figures))->of(
            $scenario,
        );
    }

    /** @return list<string> the amounts of a measure that are picked, `AC 2026-01` */
    private static function picked(FactFilter $facts, string $measure, string ...$periods): array
    {
        $picked = [];
        foreach ([Scenario::Actual, Scenario::PriorYear] as $scenario) {
            foreach ($periods as $period) {
                if ($facts->picks($measure, $scenario, Period::of($period)->start)) {
                    $picked[] = "$scenario->value $period";
                }
            }
        }

        return $picked;
    }

    public function testWhatARowIsMadeOf(): void
    {
        $months = static fn (FactFilter $of): array => self::picked(
            $of, $of->measures()[0], '2026-01', '2026-02', '2026-03',
        );
        self::assertSame(['AC 2026-02'], $months(self::made([], '2026-02')));
        self::assertSame(['AC 2026-01', 'AC 2026-02'], $months(self::made(['cumulate' => 'year to date'], '2026-02')));
        self::assertEquals([new MemberFilter('Route', ['North'])], self::made(['by' => 'Route'], 'North')->where);
        self::assertEquals(
            [new MemberFilter('Route', ['Outer'], false)], self::made(['by' => 'Route', 'top' => 1], 'other')->where,
        );
        self::assertEquals([], self::made(['by' => 'Route'], 'total')->where);
        self::assertEquals(
            [new MemberFilter('Route', ['Holm']), new MemberFilter('Class', ['Foot'])],
            self::made(['by' => 'Class', 'each' => 'Route'], 'Holm/Foot')->where,
        );
    }

    /**
     * Of the amounts that are there those are picked that the number is the sum of.
     *
     * @param array<string, mixed> $question
     * @param list<string> $made
     */
    #[TestWith(["Month,Actual\n2025-02,1\n2026-02,2\n", [], '2026-02', ['AC 2025-02']])]
    #[TestWith([
        "Month,Scenario,Actual\n2025-01,PY,9\n2025-01,AC,1\n2025-02,AC,1\n2026-01,PY,3\n2026-01,AC,2\n".
        "2026-02,AC,2\n",
        ['by' => 'quarter'],
        '2026-Q1',
        ['AC 2025-02', 'PY 2026-01'],
    ])]
    #[TestWith([
        "Week,Actual\n2020-W53,7\n2021-W01,1\n2020-W01,3\n2020-W02,4\n2021-W02,1\n",
        ['by' => 'month'],
        '2021-01',
        ['AC 2020-W01', 'AC 2020-W02'],
    ])]
    #[TestWith([
        "Day,Actual\n2024-02-28,1\n2024-02-29,2\n2024-03-01,4\n2025-02-28,1\n2025-03-01,1\n",
        ['by' => 'month'],
        '2025-02',
        ['AC 2024-02-28', 'AC 2024-02-29'],
    ])]
    public function testWhatAPriorYearIsMadeOf(string $csv, array $question, string $key, array $made): void
    {
        $figures = Written::figures($csv);
        $recipe = Written::recipe(['against' => ['PY'], ...$question]);
        $facts = self::facts(
            $key, Drawing::workings($recipe, $figures, ChartKinds::all()), $recipe, $figures, Scenario::PriorYear,
        );
        preg_match_all('/^20\d\d-\S+?(?=,)/m', $csv, $periods);
        self::assertSame(
            $made,
            self::picked($facts, $facts->measures()[0], ...array_values(array_unique($periods[0]))),
        );
    }

    public function testAnActualAfterTheClosingIsNotAmongThoseThatAreShown(): void
    {
        $figures = Written::figures("Month,Customer,Actual\n2026-01,A,10\n2026-02,A,100\n");
        $recipe = Written::recipe(['by' => 'Customer', 'closedThrough' => '2026-01']);
        $facts = self::facts(
            'A', Drawing::workings($recipe, $figures, ChartKinds::all()), $recipe, $figures, Scenario::Actual,
        );
        self::assertSame(['AC 2026-01'], self::picked($facts, $facts->measures()[0], '2026-01', '2026-02'));
    }

    public function testAGatheredChartIsMadeOfAllThatHaveNoneOfTheirOwn(): void
    {
        $csv = "Month,Route,Actual\n2026-01,,500\n2026-01,Other (sea),400\n";
        foreach (range(1, 13) as $i) {
            $csv .= "2026-01,R$i,$i\n";
        }
        $figures = Written::figures($csv);
        $recipe = Written::recipe(['each' => 'Route']);
        $workings = Drawing::workings($recipe, $figures, ChartKinds::all());
        $where = static function (string $panel) use ($workings, $recipe, $figures): MemberFilter {
            $facts = (new RowFigures(
                array_values(
                    array_filter($workings->table->rows, static fn (Row $row): bool => $row->panel === $panel),
                )[0],
                $workings,
                $recipe->question,
                $figures,
            ))->of(Scenario::Actual);
            $filter = $facts->where[0];
            self::assertInstanceOf(MemberFilter::class, $filter);

            return $filter;
        };
        $gathered = array_values(array_filter(
            ['', 'Other (sea)', ...array_map(static fn (int $i): string => "R$i", range(1, 13))],
            $where('Other (4)')->letsText(...),
        ));
        self::assertSame(['R1', 'R2', 'R3', 'R4'], $gathered);
        self::assertSame([''], $where('(blank)')->members);
        self::assertSame(['Other (sea)'], $where('Other (sea)')->members);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Figures\FactTable;
use KeenMargin\Core\Figures\MemberFilter;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Question\RecipeWriter;
use KeenMargin\Core\Workings\Reckoning;
use KeenMargin\Core\Workings\RowFigures;
use KeenMargin\Core\Workings\RowSteps;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Where to go from a row, and what it is made of. */
final class RowStepsTest extends TestCase
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
    private static function steps(array $question, string $key, string $kind = 'variance-tiers'): RowSteps
    {
        $recipe = Written::recipe($question, ['highlight' => ['x'], 'message' => ['text' => 'm'], 'unit' => 'k'], $kind);
        $workings = Reckoning::of($recipe, self::figures());

        return RowSteps::of(array_column($workings->rows, null, 'key')[$key], $workings, $recipe, self::figures()->dataset());
    }

    /** @return array<string, mixed> the question of a way */
    private static function question(RowSteps $steps, string $by): array
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
        self::assertSame(['scenario' => 'AC', 'against' => ['BU'], 'by' => 'Route', 'span' => ['from' => '2026-02', 'to' => '2026-02']], self::question($steps, 'Route'));
        self::assertSame(['by route', 'by class'], array_column($steps->deeper, 'label'));
        $finish = $steps->deeper[0]['recipe']->finish;
        self::assertSame([[], null, 'k'], [$finish->highlight, $finish->message, $finish->unit?->value]);
    }

    public function testAQuarterIsLookedIntoByMonthsToo(): void
    {
        self::assertSame(['Route', 'Class', 'month'], array_column(self::steps(['by' => 'quarter'], '2026-Q1')->deeper, 'by'));
    }

    public function testAMemberIsLookedIntoByOthersAndByTime(): void
    {
        $steps = self::steps(['by' => 'Route', 'order' => 'largest first', 'top' => 2], 'Outer');
        self::assertSame(['Class', 'month', 'quarter'], array_column($steps->deeper, 'by'));
        self::assertSame(['scenario' => 'AC', 'by' => 'month', 'where' => [['field' => 'Route', 'in' => ['Outer']]]], self::question($steps, 'month'));
    }

    public function testAGroupIsLookedIntoByWhatStandsInIt(): void
    {
        $figures = Written::grouped(self::figures(), 'Route', ['North' => 'Inner', 'Holm' => 'Inner']);
        $recipe = Written::recipe(['by' => 'Route']);
        $workings = Reckoning::of($recipe, $figures);
        $steps = RowSteps::of(array_column($workings->rows, null, 'key')['Inner'], $workings, $recipe, $figures->dataset());
        self::assertContains('Route', array_column($steps->deeper, 'by'));
        $within = Reckoning::of($steps->deeper[0]['recipe'], $figures);
        self::assertContains('North', array_column($within->rows, 'key'));
        self::assertNotContains('Outer', array_column($within->rows, 'key'));
    }

    public function testWhatIsGatheredIsNotLookedInto(): void
    {
        self::assertSame([], self::steps(['by' => 'Route', 'top' => 1], 'other')->deeper);
    }

    public function testTheWholeIsLookedIntoWithoutMembers(): void
    {
        self::assertSame(['Route', 'Class', 'month', 'quarter'], array_column(self::steps(['by' => 'Route'], 'total')->deeper, 'by'));
    }

    public function testAMemberIsLeftOut(): void
    {
        $without = self::steps(['by' => 'Route'], 'North')->without;
        self::assertSame([['field' => 'Route', 'notIn' => ['North']]], RecipeWriter::question(($without ?? throw new \LogicException())->question)['where']);
        $without = self::steps(['by' => 'Route', 'where' => [['field' => 'Route', 'in' => ['North', 'Holm']]]], 'North')->without;
        self::assertSame([['field' => 'Route', 'in' => ['Holm']]], RecipeWriter::question(($without ?? throw new \LogicException())->question)['where']);
        self::assertSame('It is the only one.', self::steps(['by' => 'Route', 'where' => [['field' => 'Route', 'in' => ['Holm']]]], 'Holm')->whyNot);
    }

    public function testOnlyTheEndsOfTimeAreLeftOut(): void
    {
        $span = static fn (string $key): mixed => RecipeWriter::question((self::steps([], $key)->without ?? throw new \LogicException())->question)['span'];
        self::assertSame(['from' => '2026-01', 'to' => '2026-03'], $span('2025-12'));
        self::assertSame(['from' => '2025-12', 'to' => '2026-02'], $span('2026-03'));
        self::assertNull(self::steps([], '2026-01')->without);
        self::assertStringContainsString('first and the last period', self::steps([], '2026-01')->whyNot);
        self::assertSame('It is the sum of the others.', self::steps(['by' => 'Route'], 'total')->whyNot);
    }

    /** @param array<string, mixed> $question */
    private static function made(array $question, string $key): RowFigures
    {
        $recipe = Written::recipe($question);
        $workings = Reckoning::of($recipe, self::figures());

        return RowFigures::of(array_column($workings->rows, null, 'key')[$key], $workings, $recipe->question, self::figures()->dataset());
    }

    public function testWhatARowIsMadeOf(): void
    {
        $days = static fn (RowFigures $of): array => [$of->stands(Scenario::Actual)[1]?->firstDay, $of->stands(Scenario::Actual)[1]?->lastDay];
        $february = \KeenMargin\Core\Time\Period::month(2026, 2);
        self::assertSame([$february->firstDay(), $february->lastDay()], $days(self::made([], '2026-02')));
        self::assertSame([\KeenMargin\Core\Time\Period::month(2026, 1)->firstDay(), $february->lastDay()], $days(self::made(['cumulate' => 'year to date'], '2026-02')));
        self::assertEquals([new MemberFilter('Route', ['North'])], self::made(['by' => 'Route'], 'North')->where);
        self::assertEquals([new MemberFilter('Route', ['Outer'], false)], self::made(['by' => 'Route', 'top' => 1], 'other')->where);
        self::assertEquals([], self::made(['by' => 'Route'], 'total')->where);
        self::assertEquals([new MemberFilter('Route', ['Holm']), new MemberFilter('Class', ['Foot'])], self::made(['by' => 'Class', 'each' => 'Route'], 'Holm/Foot')->where);
    }

    public function testAPriorYearThatIsNotToldApartIsLastYearsActuals(): void
    {
        $figures = Written::figures("Month,Actual\n2025-02,1\n2026-02,2\n");
        $recipe = Written::recipe(['against' => ['PY']]);
        $workings = Reckoning::of($recipe, $figures);
        [$scenario, $range] = RowFigures::of(array_column($workings->rows, null, 'key')['2026-02'], $workings, $recipe->question, $figures->dataset())->stands(Scenario::PriorYear);
        self::assertSame([Scenario::Actual, \KeenMargin\Core\Time\Period::month(2025, 2)->firstDay(), \KeenMargin\Core\Time\Period::month(2025, 2)->lastDay()], [$scenario, $range?->firstDay, $range?->lastDay]);
    }

    public function testAGatheredChartIsMadeOfAllThatHaveNoneOfTheirOwn(): void
    {
        $csv = "Month,Route,Actual\n2026-01,,500\n2026-01,Other (sea),400\n";
        foreach (range(1, 13) as $i) {
            $csv .= "2026-01,R$i,$i\n";
        }
        $figures = Written::figures($csv);
        $recipe = Written::recipe(['each' => 'Route']);
        $workings = Reckoning::of($recipe, $figures);
        $where = static function (string $panel) use ($workings, $recipe, $figures): MemberFilter {
            $filter = RowFigures::of($workings->panels()[$panel][0], $workings, $recipe->question, $figures->dataset())->where[0];
            self::assertInstanceOf(MemberFilter::class, $filter);

            return $filter;
        };
        $gathered = array_values(array_filter(['', 'Other (sea)', ...array_map(static fn (int $i): string => "R$i", range(1, 13))], $where('Other (4)')->letsText(...)));
        self::assertSame(['R1', 'R2', 'R3', 'R4'], $gathered);
        self::assertSame([''], $where('(blank)')->members);
        self::assertSame(['Other (sea)'], $where('Other (sea)')->members);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Table\TableTitle;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\Fact;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * What files of real people hold: dashes as minus signs, two currencies, fractions among percentages, a title over the
 * table.
 */
final class RealFilesTest extends TestCase
{
    /**
     * @param array<string, mixed> $mapping
     *
     * @return list<string>
     */
    private static function amounts(string $csv, array $mapping = []): array
    {
        return array_map(
            static fn (Fact $fact): string => $fact->amount->toString(),
            iterator_to_array(Written::figures($csv, $mapping)->facts(), false),
        );
    }

    #[TestWith(["\u{2013}6"])]
    #[TestWith(["\u{2212}6"])]
    #[TestWith(["\u{2013} 6"])]
    #[TestWith(['6-'])]
    #[TestWith(['(6)'])]
    public function testADashBeforeANumberIsAMinusSign(string $cell): void
    {
        self::assertSame(['-6', '1'], self::amounts("Month,Actual\n2026-01,$cell\n2026-02,1\n"));
    }

    public function testALoneDashIsMissing(): void
    {
        self::assertSame(['1'], self::amounts("Month,Actual\n2026-01,\u{2013}\n2026-02,1\n"));
    }

    public function testTwoCurrenciesInOneColumnAreNotAdded(): void
    {
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage(
            'Row 3: "£5.00" is in GBP, amounts before it are in EUR, and the two cannot be added.',
        );
        Written::figures("Month,Amount\n2026-01,€4.00\n2026-02,£5.00\n");
    }

    public function testACurrencyColumnKeepsThemApart(): void
    {
        $figures = Written::figures("Month,Currency,Amount\n2026-01,EUR,€4.00\n2026-01,GBP,£5.00\n");
        self::assertSame(['EUR', 'GBP'], $figures->dataset()->maybeBreakdown('Currency')?->members);
    }

    public function testPlainNumbersAmongPercentagesAreAskedAbout(): void
    {
        $csv = "Month,Margin\n2026-01,12 %\n2026-02,0.5\n";
        $sheet = Written::sheet($csv);
        self::assertContains('percents', RoleGuess::doubts($sheet, RoleGuess::of($sheet, null, 2026)));
        self::assertSame(['12.0', '0.5'], self::amounts($csv, ['percents' => 'points']));
        self::assertSame(['12', '50'], self::amounts($csv, ['percents' => 'fractions']));
    }

    #[TestWith(['Costs by department, k EUR', 'Costs by department', 'Costs'])]
    #[TestWith(['Net revenue (m EUR)', 'Net revenue', null])]
    #[TestWith(['Delayed sailings by route', 'Delayed sailings by route', 'Delayed sailings'])]
    #[TestWith(['Passengers per route', 'Passengers per route', 'Passengers'])]
    public function testATitleNamesTheDatasetAndWhatIsCounted(string $note, string $name, ?string $measure): void
    {
        $title = TableTitle::maybe([$note]);
        self::assertSame([$name, $measure], [$title?->name, $title?->measure]);
    }

    #[TestWith(['Printed by Ann on 3 May'])]
    #[TestWith(['Prepared and checked by Controlling'])]
    #[TestWith(['Confidential'])]
    #[TestWith(['Figures are in thousands. See the notes.'])]
    public function testOtherNotesAreNoTitles(string $note): void
    {
        self::assertNull(TableTitle::maybe([$note]));
    }

    #[TestWith(["Crew costs 2026\n\nMonth,Route,Actual\n2026-01,North,10\n", 'Crew costs 2026'])]
    #[TestWith(["Printed 3 May\nSailings and fuel\nMonth,Actual\n2026-01,10\n", 'Sailings and fuel'])]
    #[TestWith(["Ledger\n\"Costs by department, k EUR\"\nMonth,Actual\n2026-01,10\n", 'Costs by department'])]
    #[TestWith(["Company,Brackwater\nMonth,Actual\n2026-01,10\n", null])]
    #[TestWith(["As of 31 March 2026\nMonth,Actual\n2026-01,10\n", null])]
    #[TestWith(["Status: final\nMonth,Actual\n2026-01,10\n", null])]
    #[TestWith(["Month,Actual\n2026-01,10\n", null])]
    public function testATitleAboveTheHeaderNamesTheDataset(string $csv, ?string $name): void
    {
        self::assertSame($name, TableTitle::maybeName(Written::sheet($csv)));
    }

    public function testATableWithATitleIsOfItsMeasureAndUnit(): void
    {
        $measure = Written::figures(
            "\"Costs by department, k EUR\"\n\nDepartment,2026-01,2026-02\nCrew,1.5,2\nPort,3,4\n",
        )->dataset()->measures[0];
        self::assertSame(['Costs', 'EUR', true], [$measure->name, $measure->unit, $measure->isBetterGuessed()]);
    }

    public function testATitleSaysTheUnitOfWhatItCountsOnly(): void
    {
        $measures = Written::figures(
            "\"Costs by department, k EUR\"\n\nDepartment,Month,Actual,Satisfaction score\nCrew,2026-01,1.5,80\n",
        )->dataset()->measures;
        $units = array_map(static fn (Measure $measure): string => $measure->unit, $measures);
        self::assertSame(
            ['Costs' => 'EUR', 'Satisfaction score' => ''],
            array_combine(array_map(static fn (Measure $measure): string => $measure->name, $measures), $units),
        );
    }

    public function testAUnitBehindAHeaderIsNoPartOfTheName(): void
    {
        $measure = Written::figures("Month,Amount EUR\n2026-01,5\n")->dataset()->measures[0];
        self::assertSame(['Amount', 'EUR'], [$measure->name, $measure->unit]);
    }

    #[TestWith(['Net revenue', Grouping::Sum, OverMembers::Sum])]
    #[TestWith(['Satisfaction score', Grouping::Average, OverMembers::Average])]
    #[TestWith(['Headcount', Grouping::Average, OverMembers::Sum])]
    #[TestWith(['Fuel stock', Grouping::Last, OverMembers::Sum])]
    #[TestWith(['Punctuality %', Grouping::Rate, OverMembers::Never])]
    public function testTheTwoRulesAreGuessedByTheName(
        string $name,
        Grouping $overPeriods,
        OverMembers $overMembers,
    ): void {
        $measures = Written::figures("Month,$name\n2026-01,5\n")->dataset()->measures;
        self::assertSame(
            [$overPeriods, $overMembers],
            array_map(static fn (Measure $measure): array => [$measure->grouping, $measure->overMembers], $measures)[0],
        );
    }

    public function testWhatIsNeverAddedHasOneAmountForAKey(): void
    {
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage('Row 3: Score is not added up, and an earlier row has one for the same key');
        Written::figures("Month,Score\n2026-01,80\n2026-01,90\n", [
            'measures' => ['Score' => ['grouping' => 'average', 'overMembers' => 'average']],
        ]);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Table\Cell;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Reading\Text\TotalWords;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class HeaderFinderTest extends TestCase
{
    #[TestWith(["Month,Actual\n2026-01,1\n", 1, 1])]
    #[TestWith(["\n\nMonth,Actual\n2026-01,1\n", 3, 1])]
    #[TestWith(["A title\nMonth,Actual\n2026-01,1\n", 2, 1])]
    #[TestWith(["A title,,\nin k EUR,,\n\nMonth,Route,Actual\n2026-01,North,1\n", 4, 1])]
    #[TestWith([",Actual,,Budget,\nRoute,Jan,Feb,Jan,Feb\nNorth,1,2,3,4\n", 1, 2])]
    #[TestWith(["Route,Actual,Actual,Budget,Budget\n,Jan,Feb,Jan,Feb\nNorth,1,2,3,4\n", 1, 2])]
    #[TestWith([",2025,2026\nRoute,AC,AC\nNorth,1,2\n", 1, 2])]
    #[TestWith(["Route,2025,2026\nNorth,1,2\n", 1, 1])]
    #[TestWith(["Route,2025,2026\nNorth,2019,2030\nHolm,2020,2031\n", 1, 1])]
    #[TestWith(["Month,Actual,Budget\n2026-01,,\n2026-02,5,6\n", 1, 1])]
    #[TestWith(["Month,Actual,Budget\n2026-01,n.v.,n.v.\n2026-02,5,6\n", 1, 1])]
    #[TestWith(["North,1\nHolm,2\n", 1, 0])]
    #[TestWith(["2026-01;1,5\n2026-02;2,5\n", 1, 0])]
    #[TestWith(["Month,Actual\n\n2026-01,1\n2026-02,2\n", 1, 1])]
    public function testFindsTheHeader(string $csv, int $row, int $levels): void
    {
        self::assertEquals(['row' => $row, 'levels' => $levels], Written::sheet($csv)->place->toArray());
    }

    public function testColumnsWithoutAHeaderAreCalledByWhatTheyHold(): void
    {
        self::assertSame(
            ['Period', 'Name', 'Scenario', 'Amount', 'Amount (2)'],
            Written::sheet("2026-01,North,Actual,1,2\n2026-02,Holm,Budget,3,4\n2026-03,Holm,Budget,3,4\n")->header,
        );
    }

    public function testAnotherHeaderCanBeTold(): void
    {
        $sheet = Written::sheet("a,b\nMonth,Actual\n2026-01,1\n", new HeaderPosition(2));
        self::assertSame(
            [['Month', 'Actual'], [3], ['a', 'b']], [$sheet->header, array_keys($sheet->rows), $sheet->notes],
        );
        self::assertSame(['Name', 'Amount'], Written::sheet("x,1\ny,2\nz,3\n", new HeaderPosition(2, 0))->header);
    }

    public function testColumnsThatMostRowsHaveAndNoHeaderNamesCount(): void
    {
        self::assertSame(
            ['Month', 'Actual', 'Column 3'],
            Written::sheet("Month,Actual\n2026-01,1,a\n2026-02,2,b\n2026-03,3,c\n")->header,
        );
    }

    #[TestWith(['Total', true])]
    #[TestWith(['Grand total', true])]
    #[TestWith(['Summe', true])]
    #[TestWith(['Total costs', false])]
    #[TestWith(['Totaliser', false])]
    public function testOnlyWhatIsNobodysNameIsATotalByItself(string $text, bool $is): void
    {
        self::assertSame($is, TotalWords::isTotal($text));
    }

    public function testAMemberIsATotalOnlyWhereItIsTheSumOfTheOthers(): void
    {
        $members = static fn (string $rows): array => Written::figures("Route,2026-01,2026-02\n$rows")->dataset()
            ->breakdowns[0]->members;
        self::assertSame(
            ['North', 'Holm'], $members("North,1,2\nHolm,3,4\nAll routes,4,6\n"), 'by its name, two cells suffice',
        );
        self::assertSame(['North', 'Holm', 'All routes'], $members("North,1,2\nHolm,3,4\nAll routes,4,7\n"));
        self::assertSame(
            ['North', 'Holm', 'Outer'],
            $members("North,1,2\nHolm,3,4\nOuter,4,6\n"),
            'without such a name, two cells may be chance',
        );
        self::assertSame(['North', 'Holm'], $members("North,1,2\nHolm,1,2\n"), 'each of two is the sum of the other');
    }

    public function testTotalsAreToldToTheLastDigitOrNotHeldAgainstAnythingAtAll(): void
    {
        $says = static fn (string $rows): string => Written::figures("Month,Route,Actual\n$rows")->dataset()
            ->notices[0]->says;
        self::assertSame(
            '1 row of totals was left out, and row 4 does not tie: it says 90,071,992,547,409.91, its figures add up '
                .'to 90,071,992,547,409.93',
            $says("2026-01,A,90071992547409.92\n2026-01,B,0.01\n2026-01,Total,90071992547409.91\n"),
        );
        $long = implode('', array_map(static fn (int $i): string => "2026-01,R$i,999999999999999999\n", range(1, 20)));
        self::assertSame(
            '1 row of totals was left out, and row 22 was not held against its figures: their sum has too many digits',
            $says($long."2026-01,Total,5\n"),
        );
    }

    public function testAsksWhetherThousandsAreMeantAndWhetherItIsAList(): void
    {
        $doubts = static fn (string $csv): array => RoleGuess::doubts(
            Written::sheet($csv), RoleGuess::of(Written::sheet($csv), null, 2026),
        );
        self::assertSame(['scale'], $doubts("Month,Fuel in k EUR\n2026-01,1\n"));
        self::assertSame(['periods'], $doubts("Name,Amount\nNorth,1\n"));
        self::assertSame(['year'], $doubts("Route,Jan,Feb\nNorth,1,2\n"));
        self::assertSame([], $doubts("Year,Jan,Feb\n2026,1,2\n"));
    }

    #[TestWith(["  a \u{A0}b\tc\n", 'a b c'])]
    #[TestWith(["'=1+1", '=1+1'])]
    #[TestWith(["''=1", "'=1"])]
    #[TestWith(["'t Veer", "'t Veer"])]
    #[TestWith(["x\x07y", 'x y'])]
    public function testACellIsCleaned(string $cell, string $clean): void
    {
        self::assertSame($clean, Cell::clean($cell));
    }
}

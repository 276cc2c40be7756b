<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rows that begin as totals do and tell no period. */
final class MarkedTotalsTest extends TestCase
{
    private const ROWS = "2026-01,Sound,10,4\n2026-02,Sound,20,5\n* Sound,,30,9\n2026-01,Holm,1,1\n* Holm,,1,1\n";

    /** @return iterable<string, array{string, bool, string}> rows below `Month,Route,Actual,Budget` */
    public static function files(): iterable
    {
        yield 'levels of asterisks' => [
            self::ROWS."** All,,31,10\n", true, '3 rows of totals were left out; they tie with the rows before',
        ];
        yield 'in another column than the period' => [
            "2026-01,Sound,10,4\n2026-02,Sound,20,5\n,* Sound,30,9\n",
            true,
            '1 row of totals was left out; it ties with the rows before',
        ];
        yield 'of a member whose rows stand apart' => [
            "2026-01,Sound,10,4\n2026-01,Holm,1,1\n2026-02,Sound,20,5\n,Total Sound,30,9\n,Sum of Holm,1,1\n".
                ",Result,31,10\n",
            true,
            '3 rows of totals were left out; they tie with the rows before',
        ];
        yield 'of all rows below subtotals' => [
            self::ROWS."Result of all lines,,31,10\n",
            true,
            '3 rows of totals were left out; they tie with the rows before',
        ];
        yield 'that says something else' => [
            self::ROWS."** All,,31,11\n",
            false,
            '3 rows of totals were left out, and row 7, "** All", does not tie: Budget says 11, its rows add up to 10',
        ];
        yield 'that says nothing in one column' => [
            "2026-01,Sound,10,4\n2026-02,Sound,20.50,5\n*,,30.5,\n",
            true,
            '1 row of totals was left out; it ties with the rows before',
        ];
    }

    #[DataProvider('files')]
    public function testTheyAreLeftOutAndHeldAgainstTheirRows(string $rows, bool $holds, string $says): void
    {
        $figures = Written::figures("Month,Route,Actual,Budget\n$rows", ['dates' => 'day first']);
        $notices = array_filter(
            $figures->dataset()->notices,
            static fn (Notice $notice): bool => 'marked-totals-left-out' === $notice->id,
        );
        self::assertSame([[$holds, $says]], array_map(
            static fn (Notice $notice): array => [$notice->holds, $notice->says],
            array_values($notices),
        ));
        self::assertNotContains('* Sound', $figures->dataset()->maybeBreakdown('Route')->members ?? []);
    }

    public function testARowWithAPeriodIsAMemberAndOneWithoutAnyNameIsRefused(): void
    {
        $figures = Written::figures("Month,Route,Actual\n2026-01,Result,10\n2026-01,* Sound,5\n2026-02,Holm,3\n");
        self::assertSame(['Result', '* Sound', 'Holm'], $figures->dataset()->maybeBreakdown('Route')?->members);
        $this->expectException(RefusedFigures::class);
        Written::figures("Month,Route,Actual\n2026-01,Sound,10\n,Sound,5\n");
    }

    public function testTheyAreRefusedWhereTotalsAreToBeKept(): void
    {
        $this->expectException(RefusedFigures::class);
        Written::figures("Month,Route,Actual\n2026-01,Sound,10\n,* Sound,10\n", ['totals' => 'keep']);
    }
}

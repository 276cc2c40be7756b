<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Scene\Rect;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Bars and columns, sums set apart, several charts, highlighted rows: what all kinds share. */
final class LayoutTest extends TestCase
{
    use SceneProperties;

    private const MONTHS =
        'Month,Actual,Budget,Forecast,Prior '.
        "year\n2026-06,588,612,,560\n2026-07,781,745,,700\n2026-08,742,760,,720\n2026-09,,560,548,530\n";
    private const AGAINST = ['forecast' => 'FC', 'against' => ['BU']];
    private const ROUTES = "Route,Actual,Budget\nNorth,180,150\nHolm,90,95\nOuter,30,40\n";

    public function testStructureIsDrawnAsBarsLikeATable(): void
    {
        $drawing = Written::drawing(self::ROUTES, ['by' => 'Route', 'against' => ['BU']]);
        self::assertTrue($drawing->scene->isHorizontal);
        self::assertSame(['North', 'Holm', 'Outer', 'Total'], self::words($drawing, 'name'));
        self::assertSame(['180', '90', '30', '300'], self::words($drawing, 'value-label'));
        self::assertSame(['+30', "\u{2212}5", "\u{2212}10", '+15'], self::words($drawing, 'variance-label'));
        self::assertSame(['+20.0', "\u{2212}5.3", "\u{2212}25.0", '+5.3'], self::words($drawing, 'percent-label'));
        [$north, $holm] = self::rects($drawing, 'value');
        self::assertEqualsWithDelta(2.0, $north->width / $holm->width, 1e-9);
        self::assertEqualsWithDelta($north->width / 180, self::rects($drawing, 'variance')[0]->width / 30, 1e-9);
    }

    public function testATotalThatDwarfsTheRowsIsCutAlikeAndMarked(): void
    {
        $csv =
            "Route,Actual,Budget\n".
            implode('', array_map(static fn (int $i): string => "R$i,100,90\n", range(1, 9)));
        $drawing = Written::drawing($csv, ['by' => 'Route', 'against' => ['BU']]);
        [$total] = self::rects($drawing, 'value-cut');
        [$budget] = self::rects($drawing, 'reference-cut');
        $perUnit = self::rects($drawing, 'value')[0]->width / 100;
        self::assertLessThan(300 * $perUnit, $total->width);
        self::assertEqualsWithDelta(90 * $perUnit, $total->width - $budget->width, 1e-9);
        self::assertCount(2, self::paths($drawing, 'break'));
        $whole = Written::drawing($csv, ['by' => 'Route', 'against' => ['BU']], ['cut' => false]);
        self::assertSame([], self::rects($whole, 'value-cut'));
        self::assertEqualsWithDelta(
            9.0, self::rects($whole, 'value')[9]->width / self::rects($whole, 'value')[0]->width, 1e-9,
        );
    }

    public function testNegativeTotalsAndGatheredRowsAreCutToo(): void
    {
        $csv =
            "Route,Actual,Budget\n".
            implode('', array_map(static fn (int $i): string => "R$i,-100,-90\n", range(1, 30)));
        $drawing = Written::drawing($csv, ['by' => 'Route', 'against' => ['BU'], 'top' => 4]);
        [$other, $total] = self::rects($drawing, 'value-cut');
        self::assertSame(['other', 'total'], [$other->key, $total->key]);
        $perUnit = self::rects($drawing, 'value')[0]->width / 100;
        self::assertEqualsWithDelta(400 * $perUnit, $total->width - $other->width, 1e-6);
        self::assertEqualsWithDelta($other->x + $other->width, $total->x + $total->width, 1e-9);
    }

    public function testTimeCanRunDownwards(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, ['turn' => true]);
        self::assertTrue($drawing->scene->isHorizontal);
        self::assertSame(['Jun', 'Jul', 'Aug', 'Sep'], self::words($drawing, 'name'));
        [$june, $july] = self::rects($drawing, 'value');
        self::assertEqualsWithDelta(588 / 781, $june->width / $july->width, 1e-9);
        self::assertFalse(
            Written::drawing(self::MONTHS, self::AGAINST, ['turn' => true], 'gap-line')->scene->isHorizontal,
        );
    }

    public function testColumnsOfMembersStayBarsWhereNamesHaveNoRoom(): void
    {
        self::assertFalse(Written::drawing(self::ROUTES, ['by' => 'Route'], ['turn' => true])->scene->isHorizontal);
        $long = str_replace('Outer', str_repeat('Outermost archipelago ', 4), self::ROUTES);
        self::assertTrue(
            Written::drawing($long, ['by' => 'Route'], ['turn' => true, 'width' => 360])->scene->isHorizontal,
        );
    }

    public function testHighlightedRowsAreTinted(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, ['highlight' => ['2026-07']]);
        self::assertSame(
            [['accent-tint', '2026-07']],
            array_map(static fn (Rect $rect): array => [$rect->fill, $rect->key], self::rects($drawing, 'highlight')),
        );
    }

    public function testSmallMultiplesShareOneScale(): void
    {
        $csv =
            "Month,Route,Actual,Budget\n2026-01,North,100,90\n2026-01,Holm,25,30\n2026-02,North,80,90\n".
            "2026-02,Holm,20,30\n";
        $drawing = Written::drawing($csv, ['against' => ['BU'], 'each' => 'Route'], ['width' => 900], 'nested-columns');
        self::assertSame(['North', 'Holm'], self::words($drawing, 'panel'));
        self::assertSame(
            ['North/2026-01', 'North/2026-02', 'Holm/2026-01', 'Holm/2026-02'],
            array_map(static fn ($row): string => $row->key->id, $drawing->workings->table->rows),
        );
        $values = self::rects($drawing, 'value');
        self::assertEqualsWithDelta(4.0, $values[0]->height / $values[2]->height, 1e-9);
        self::assertEqualsWithDelta($values[0]->y + $values[0]->height, $values[2]->y + $values[2]->height, 1e-9);
    }

    public function testTheLandingStandsApartAtTheEnd(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST + ['cumulate' => 'year to date'], ['landing' => true]);
        self::assertSame(['588', '1,369', '2,111', '2,659', '2,659'], self::words($drawing, 'value-label'));
        self::assertSame(['2026', 'Jun', 'Jul', 'Aug', 'Sep'], self::words($drawing, 'period'));
        $columns = self::rects($drawing, 'value');
        self::assertGreaterThan(1.2 * ($columns[3]->x - $columns[2]->x), $columns[4]->x - $columns[3]->x);
    }
}

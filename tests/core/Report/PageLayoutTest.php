<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\PageScale;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Layout\PlacedBlock;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Report\Sheet;
use KeenMargin\Core\Scene\MarkBox;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Workings\Result\Check;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Pages as they print: within their sheet, filled, on one scale. */
final class PageLayoutTest extends TestCase
{
    private const ROUTES = ['by' => 'Route', 'against' => ['BU']];
    private const MONTHS = ['against' => ['BU']];

    /**
     * @param list<list<array<string, mixed>>> $rows
     * @param array<string, mixed> $report
     * @param list<array<string, mixed>> $notes
     */
    private static function page(array $rows, array $report = [], array $notes = [], ?Paper $paper = null): DrawnPage
    {
        $drawing = WrittenReport::drawing(
            $report + ['pages' => [WrittenReport::page('p', $rows, ['message' => 'Fares are ahead'])]], $notes,
        );

        $pages = new ReportPages($drawing, new \DateTimeImmutable('2026-11-27 09:30'));

        return $pages->page($drawing->report->pages[0], $paper);
    }

    /** @return list<string> */
    private static function texts(DrawnPage $page): array
    {
        $texts = [];
        foreach ($page->scenes() as $scene) {
            foreach ($scene->marks() as $mark) {
                $mark instanceof Text && ($texts[] = $mark->text);
            }
        }

        return $texts;
    }

    /** @return array<string, array{string}> */
    public static function sheets(): array
    {
        return ['16:9' => ['16:9'], 'A4 across' => ['A4 across'], 'A4 upright' => ['A4 upright']];
    }

    #[DataProvider('sheets')]
    public function testAllOfAPageStandsWithinItsSheet(string $sheet): void
    {
        $page = self::page(
            [
                [['id' => 'k', 'figures' => [WrittenReport::chart('x', self::MONTHS)['chart']]]],
                [WrittenReport::chart('a', self::MONTHS), ['text' => "**Fares**\n- North\n- Holm"]],
            ],
            ['sheet' => $sheet],
        );
        self::assertNull($page->maybeOver());
        $of = Sheet::from($sheet);
        foreach ($page->scenes() as $scene) {
            self::assertSame([$of->width(), $of->height()], [$scene->width, $scene->height]);
            foreach ($scene->marks() as $mark) {
                $box = MarkBox::of($mark);
                self::assertGreaterThanOrEqual(-1.0, $box->left);
                self::assertLessThanOrEqual($of->width() + 1.0, $box->right);
                self::assertLessThanOrEqual($of->height() + 1.0, $box->bottom, $scene->title);
            }
        }
        self::assertContains('closed through Apr 2026 · made 27 Nov 2026, 09:30 · 1 / 1', self::texts($page));
    }

    public function testBlocksShareTheWidthByTheirParts(): void
    {
        $page = self::page([
            [['width' => 2] + WrittenReport::chart('a', self::MONTHS), WrittenReport::chart('b', self::ROUTES)],
        ]);
        [$first, $second] = $page->blocks;
        self::assertEqualsWithDelta(2.0, $first->width / $second->width, 0.001);
        self::assertSame($first->top, $second->top);
        self::assertEqualsWithDelta($first->left + $first->width + 22.0, $second->left, 0.001);
    }

    public function testWhatCountsTheSameIsOnOneScale(): void
    {
        $rows = [[WrittenReport::chart('a', self::MONTHS), WrittenReport::chart('b', self::ROUTES)]];
        $page = self::page($rows);
        self::assertSame([['one-scale', true]], self::checks($page));
        [$first, $second] = self::lengths($page);
        self::assertEqualsWithDelta($first, $second, 0.001 * $first);
        $apart = self::page($rows, ['scale' => 'own']);
        [$first, $second] = self::lengths($apart);
        self::assertGreaterThan(0.1 * $first, abs($first - $second), 'by itself each has its own scale');
        self::assertSame([], self::checks($apart));
    }

    public function testAScaleOverTheReportIsThatOfItsLongestChart(): void
    {
        $drawing = WrittenReport::drawing([
            'scale' => 'report',
            'pages' => [
                WrittenReport::page('p', [[WrittenReport::chart('a', self::MONTHS)]]),
                WrittenReport::page('q', [[WrittenReport::chart('b', self::ROUTES)]]),
                WrittenReport::page('r', [[WrittenReport::chart('c', self::MONTHS)]], ['scale' => 'own']),
            ],
        ]);
        $lengths = [];
        foreach ((new ReportPages($drawing))->all() as $page) {
            $lengths[] = self::lengths($page)[0];
        }
        self::assertEqualsWithDelta($lengths[0], $lengths[1], 0.001 * $lengths[0]);
        self::assertGreaterThan(1.01 * $lengths[0], $lengths[2]);
    }

    /** The check has looked: drawn on scales of their own, the same charts do not pass it. */
    public function testTheCheckOfTheScaleMeasuresWhatIsDrawn(): void
    {
        $rows = [[WrittenReport::chart('a', self::MONTHS), WrittenReport::chart('b', self::ROUTES)]];
        $off = PageScale::off(self::page($rows, ['scale' => 'own'])->blocks);
        self::assertNotSame([], array_filter($off));
        self::assertSame([], array_filter(PageScale::off(self::page($rows)->blocks)));
    }

    public function testAPageThatIsTooFullSaysByHowMuch(): void
    {
        $table = WrittenReport::chart('t', self::ROUTES, kind: 'comparison-table');
        $rows = [];
        foreach (range(1, 9) as $i) {
            $rows[] = [['id' => "t$i"] + $table];
        }
        $page = self::page($rows);
        self::assertMatchesRegularExpression('/^[\d,]+ points, \d+ % of the page$/', (string) $page->maybeOver());
        $last = $page->blocks[8];
        self::assertEqualsWithDelta(
            $last->top + $last->height - (Sheet::Across->height() - Paper::FOOT), $page->over, 0.001,
        );
    }

    public function testNotesAreNumberedThroughThePage(): void
    {
        $note = static fn (string $period, string $text, array $where = []): array => [
            'dataset' => 'Fares',
            'measure' => 'Amount',
            'period' => $period,
            'text' => $text,
        ] + ([] === $where ? [] : ['where' => $where]);
        $page = self::page(
            [
                [WrittenReport::chart('a', self::MONTHS)],
                [
                    WrittenReport::chart('b', self::MONTHS + ['span' => ['from' => '2026-02', 'to' => '2026-04']]),
                    WrittenReport::chart('c', self::ROUTES + ['span' => ['from' => '2026-04', 'to' => '2026-04']]),
                ],
            ],
            [],
            [
                $note('2026-02', 'A slipway was repaired'),
                $note('2026-04', 'Fewer sailings', [['field' => 'Route', 'in' => ['Holm']]]),
                $note('2025-01', 'Long ago'),
            ],
        );
        self::assertSame(
            [[1, 'A slipway was repaired'], [2, 'Fewer sailings']],
            array_map(static fn ($one): array => [$one->number, $one->text], $page->notes),
        );
        $numbers = array_map(
            static fn (PlacedBlock $block): array => array_map(
                static fn ($one): int => $one->number,
                $block->drawing->chart->options->notes ?? [],
            ),
            $page->blocks,
        );
        self::assertSame([[1], [1], [2]], $numbers, 'the same note has one number in both charts');
    }

    public function testAColumnHasBlocksBelowOneAnother(): void
    {
        $page = self::page(
            [[WrittenReport::chart('a', self::MONTHS), WrittenReport::chart('b', self::ROUTES)]],
            [],
            [],
            Paper::column(390.0),
        );
        [$first, $second] = $page->blocks;
        self::assertSame($first->left, $second->left);
        self::assertGreaterThanOrEqual($first->top + $first->height, $second->top);
        self::assertLessThanOrEqual(390.0, $first->left + $first->width);
        self::assertGreaterThan($second->top + $second->height, $page->height);
    }

    public function testWhatCannotBeDrawnSaysSoInItsPlace(): void
    {
        $page = self::page([
            [WrittenReport::chart('a', [], 'Nowhere'), WrittenReport::chart('b', ['measure' => 'Nothing'])],
            [['id' => 'e', 'text' => ''], ['id' => 'f', 'figures' => []]],
            [['id' => 'k', 'figures' => [['id' => 'bad', 'dataset' => 'Nowhere', 'recipe' => ['keenMargin' => 1]]]]],
        ]);
        self::assertStringContainsString('There are no figures "Nowhere"', (string) $page->blocks[0]->trouble);
        self::assertStringContainsString('There is no measure "Nothing"', (string) $page->blocks[1]->trouble);
        self::assertTrue($page->blocks[2]->block->isEmpty());
        self::assertContains('–', self::texts($page));
        self::assertStringContainsString('This chart cannot be drawn.', implode(' ', self::texts($page)));
    }

    public function testAnEmptyReportAndAnEmptyPageAreDrawn(): void
    {
        $page = self::page([]);
        self::assertSame([], $page->blocks);
        self::assertNull($page->maybeOver());
        self::assertContains('Fares are ahead', self::texts($page));
    }

    public function testLongNamesAndMarkupStayWithinThePage(): void
    {
        $name = str_repeat('Überlandfährgesellschaft ', 4).'<b>&amp;</b>';
        $drawing = WrittenReport::drawing([
            'organisation' => $name,
            'pages' => [
                WrittenReport::page('p', [[['text' => "$name\n- $name"]]], [
                    'title' => $name,
                    'message' => str_repeat($name, 3),
                ]),
            ],
        ]);
        $page = (new ReportPages($drawing))->page($drawing->report->pages[0]);
        foreach ($page->scenes() as $scene) {
            foreach ($scene->marks() as $mark) {
                self::assertLessThanOrEqual(960.0, MarkBox::of($mark)->right);
            }
        }
        self::assertStringContainsString('<b>&amp;</b>', implode(' ', self::texts($page)));
    }

    /** @return list<float> points of the page for a unit of amounts, by chart */
    private static function lengths(DrawnPage $page): array
    {
        return array_map(
            static fn (PlacedBlock $placed): float => $placed->scale *
                ($placed->drawing?->measured()->perUnit()['amount'] ?? 0.0),
            $page->blocks,
        );
    }

    /** @return list<array{string, bool}> */
    private static function checks(DrawnPage $page): array
    {
        return array_map(static fn (Check $check): array => [$check->id, $check->holds], $page->checks);
    }
}

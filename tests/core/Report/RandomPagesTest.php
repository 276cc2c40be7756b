<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Layout\DrawnPage;
use KeenMargin\Core\Report\Layout\Paper;
use KeenMargin\Core\Report\Layout\ReportPages;
use KeenMargin\Core\Scene\MarkBox;
use PHPUnit\Framework\TestCase;

/** What always holds of pages, whatever stands on them: one scale over all of them, nothing beside the sheet. */
final class RandomPagesTest extends TestCase
{
    private const ROUNDS = 30;
    private const KINDS = [
        ['variance-tiers', ['by' => 'month', 'against' => ['BU']]],
        ['variance-tiers', ['by' => 'month', 'against' => ['BU'], 'forecast' => 'FC']],
        ['nested-columns', ['by' => 'Route', 'against' => ['BU'], 'span' => 'year to date']],
        ['nested-columns', ['by' => 'month', 'against' => ['BU'], 'span' => ['last' => 2, 'unit' => 'month']]],
        ['target-marks', ['by' => 'month', 'against' => ['BU']]],
        ['build-up', ['by' => 'Route', 'span' => 'year to date']],
        ['bridge', ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC'], 'span' => 'year to date']],
        ['comparison-table', ['by' => 'Route', 'against' => ['BU'], 'span' => 'year to date']],
    ];

    /** @return array<string, mixed> one to three pages with one to three rows of one to four blocks */
    private static function report(): array
    {
        $pages = [];
        $id = 0;
        foreach (range(1, mt_rand(1, 3)) as $page) {
            $rows = [];
            foreach (range(1, mt_rand(1, 3)) as $row) {
                $blocks = [];
                foreach (range(1, mt_rand(1, 4)) as $block) {
                    ++$id;
                    [$kind, $question] = self::KINDS[mt_rand(0, \count(self::KINDS) - 1)];
                    $blocks[] =
                        1 === mt_rand(1, 6)
                            ? ['id' => "t$id", 'text' => str_repeat("**Fares** rose in Holm\n", mt_rand(1, 6))]
                            : ['width' => mt_rand(1, 3)] + WrittenReport::chart("c$id", $question, kind: $kind);
                }
                $rows[] = $blocks;
            }
            $pages[] = WrittenReport::page("p$page", $rows, ['message' => str_repeat('Fares rose ', mt_rand(1, 20))]);
        }

        return [
            'sheet' => ['16:9', 'A4 across', 'A4 upright'][mt_rand(0, 2)],
            'scale' => ['one', 'report'][mt_rand(0, 1)],
            'pages' => $pages,
        ];
    }

    /**
     * @param list<DrawnPage> $pages
     *
     * @return array<string, non-empty-list<float>> points of the page for a unit, by what is counted and by scale
     */
    private static function lengths(array $pages): array
    {
        $lengths = [];
        foreach ($pages as $page) {
            foreach ($page->blocks as $block) {
                $measured = $block->drawing?->measured();
                foreach ($measured?->perUnit() ?? [] as $scale => $length) {
                    $lengths[$measured?->counted()." $scale"][] = $block->scale * $length;
                }
            }
        }

        return $lengths;
    }

    public function testOneScaleIsMeasuredOverAllPages(): void
    {
        mt_srand(18);
        $compared = 0;
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $report = self::report();
            $pages = iterator_to_array((new ReportPages(WrittenReport::drawing($report)))->all(), false);
            $sets = 'report' === $report['scale'] ? [$pages] : array_map(static fn ($one): array => [$one], $pages);
            foreach ($sets as $set) {
                foreach (self::lengths($set) as $what => $lengths) {
                    $least = min($lengths);
                    $compared += \count($lengths) > 1 ? 1 : 0;
                    self::assertLessThanOrEqual(0.001 * $least, max($lengths) - $least, "round $round: $what");
                }
            }
            foreach ($pages as $page) {
                foreach ($page->checks as $check) {
                    self::assertTrue($check->holds, "round $round: $check->says");
                }
            }
        }
        self::assertGreaterThan(self::ROUNDS, $compared, 'Charts that count the same were met.');
    }

    public function testNothingStandsBesideTheSheetOrOverAnotherBlock(): void
    {
        mt_srand(81);
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            foreach ((new ReportPages(WrittenReport::drawing(self::report())))->all() as $page) {
                foreach ($page->picture()->marks() as $mark) {
                    $box = MarkBox::of($mark);
                    self::assertGreaterThanOrEqual(-1.0, $box->left, "round $round");
                    self::assertLessThanOrEqual($page->paper->width + 1.0, $box->right, "round $round");
                }
                $lowest = 0.0;
                foreach ($page->blocks as $i => $block) {
                    $lowest = max($lowest, $block->top + $block->height);
                    foreach (\array_slice($page->blocks, $i + 1) as $other) {
                        $isApart = $other->left >= $block->left + $block->width
                            || $other->top >= $block->top + $block->height - 0.001;
                        self::assertTrue($isApart, "round $round: {$block->block->id()}, {$other->block->id()}");
                    }
                }
                // What reaches beyond the sheet is said, and nothing else is.
                $beyond = $lowest - ($page->height - Paper::FOOT);
                self::assertSame($beyond >= 1.0, null !== $page->maybeOver(), "round $round: $beyond");
            }
        }
    }
}

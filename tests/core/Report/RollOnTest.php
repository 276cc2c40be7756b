<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Core\Report\Rolling\RolledNumber;
use KeenMargin\Core\Report\Rolling\RolledPage;
use KeenMargin\Core\Report\Rolling\RollPreview;
use KeenMargin\Core\Report\Settling\ReportFinding;
use KeenMargin\Core\Report\Settling\ReportFindings;
use KeenMargin\Core\Time\Period;
use PHPUnit\Framework\TestCase;

/** What has to be settled, and what would have to be once the closing period has moved. */
final class RollOnTest extends TestCase
{
    private const TO_DATE = ['of' => 'c', 'row' => ['sum' => 'toDate'], 'column' => 'variance:BU', 'exact' => '15'];
    private const NOTE = [
        'dataset' => 'Fares',
        'measure' => 'Amount',
        'period' => '2026-03',
        'where' => [['field' => 'Route', 'in' => ['Holm']]],
        'text' => 'Holm was closed for a week',
    ];

    /** @return array<string, mixed> */
    private static function document(string $closing = '2026-03'): array
    {
        return [
            'closedThrough' => $closing,
            'pages' => [
                WrittenReport::page(
                    'p',
                    [
                        [WrittenReport::chart('c', ['against' => ['BU'], 'span' => 'year to date'])],
                        [WrittenReport::chart(
                            'r', ['by' => 'Route', 'against' => ['BU'], 'span' => ['last' => 1, 'unit' => 'month']],
                        )],
                        [['id' => 't', 'text' => ['Ahead by ', ['said' => '10', 'follows' => true] + self::TO_DATE]]],
                    ],
                    ['message' => ['Fares are ', ['said' => '10', 'follows' => false] + self::TO_DATE, ' ahead']],
                ),
                WrittenReport::page('q', [], ['message' => 'Nothing to say']),
            ],
        ];
    }

    /** @return list<string> */
    private static function keys(ReportDrawing $drawing): array
    {
        return array_map(
            static fn (ReportFinding $one): string => $one->key(),
            ReportFindings::of($drawing, static fn (): null => null)->findings,
        );
    }

    /** @return list<string> */
    private static function found(string $closing): array
    {
        $drawing = WrittenReport::drawing(self::document($closing));

        return array_map(
            static fn (ReportFinding $one): string => "{$one->kind->value} $one->page/$one->block $one->says",
            ReportFindings::of($drawing, static fn (): null => null)->findings,
        );
    }

    public function testRollingOnTellsFirstWhatWouldBeSaidWrongly(): void
    {
        // 490 against 480 through March; 678 against 640 through April.
        $before = WrittenReport::drawing(self::document(), [self::NOTE]);
        $after = WrittenReport::drawn($before->report->closed(Period::of('2026-04')), [self::NOTE]);
        $told = [];
        $tell = static function (int $done, int $of) use (&$told): void {
            $told[] = [$done, $of];
        };
        $pages = RollPreview::of($before, $after, self::keys($before), $tell);
        self::assertSame([[0, 2], [1, 2]], $told);
        [$first, $second] = array_map(static fn (RolledPage $page): array => $page->toArray(), $pages);
        self::assertSame(
            [['', '10', '38', false], ['t', '10', '38', true]],
            array_map(
                static fn (RolledNumber $one): array => [$one->block, $one->was, $one->becomes, $one->follows],
                $pages[0]->numbers,
            ),
        );
        self::assertSame(['Holm was closed for a week'], $first['behind']);
        self::assertSame([], $first['found']);
        self::assertSame([[], []], [$second['numbers'], $second['behind']]);
    }

    public function testFiguresThatHaveNotComeInAreSaid(): void
    {
        $before = WrittenReport::drawing(self::document('2026-04'));
        $after = WrittenReport::drawn($before->report->closed(Period::of('2026-05')));
        $pages = RollPreview::of($before, $after, self::keys($before), static fn (): null => null);
        $found = $pages[0]->found;
        self::assertContains('Fares has no actuals after Apr 2026.', $found);
    }

    public function testWhatHasToBeSettledIsOneList(): void
    {
        self::assertSame(['empty q/ Nothing stands on this page yet.'], self::found('2026-03'));
        self::assertSame(
            ['stale p/ The message says 10; it is now 38.', 'empty q/ Nothing stands on this page yet.'],
            self::found('2026-04'),
        );
        self::assertContains('missing p/ Fares has no actuals after Apr 2026.', self::found('2026-05'));
    }

    public function testBlocksThatAreEmptyOrCannotBeDrawnAreFound(): void
    {
        $drawing = WrittenReport::drawing([
            'pages' => [
                WrittenReport::page('p', [
                    [['id' => 'e', 'text' => ' '], WrittenReport::chart('n', [], 'Nowhere')],
                    [[
                        'id' => 'k',
                        'figures' => [['id' => 'f', 'dataset' => 'Nowhere', 'recipe' => ['keenMargin' => 1]]],
                    ]],
                ]),
            ],
        ]);
        $found = ReportFindings::of($drawing, static fn (): null => null);
        self::assertSame(
            [['empty', 'e'], ['trouble', 'n'], ['trouble', 'k']],
            array_map(static fn (ReportFinding $one): array => [$one->kind->value, $one->block], $found->findings),
        );
        self::assertSame([], $found->holds, 'nothing was measured, so nothing holds');
    }

    public function testWhatHoldsWasLookedAt(): void
    {
        $drawing = WrittenReport::drawing(self::document());
        self::assertSame(
            ['2 charts, every check holds', 'One scale for all that counts the same'],
            ReportFindings::of($drawing, static fn (): null => null)->holds,
        );
    }

    public function testAFindingIsAnotherOneOnceItSaysSomethingElse(): void
    {
        $keys = static fn (string $closing): array => self::keys(WrittenReport::drawing(self::document($closing)));
        self::assertNotSame($keys('2026-04')[0], $keys('2026-02')[0]);
        self::assertSame($keys('2026-04'), $keys('2026-04'));
    }
}

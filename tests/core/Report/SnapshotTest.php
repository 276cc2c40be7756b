<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Comparing\Difference;
use KeenMargin\Core\Report\Comparing\Snapshot;
use KeenMargin\Core\Report\Comparing\SnapshotDiff;
use KeenMargin\Core\Report\Drawing\ReportDrawing;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** What is otherwise than in an issued report. */
final class SnapshotTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function document(string $closing, string $message = 'Fares are ahead'): array
    {
        return [
            'closedThrough' => $closing,
            'pages' => [
                WrittenReport::page(
                    'p',
                    [[WrittenReport::chart('c', ['against' => ['BU']])], [['id' => 't', 'text' => 'A text']]],
                    ['message' => $message],
                ),
            ],
        ];
    }

    /** @return list<array{string, string, ?string, ?string}> kind, what, was, is */
    private static function diff(ReportDrawing $then, ReportDrawing $now): array
    {
        // As it is kept: written as JSON, and read again.
        $kept = static function (ReportDrawing $drawing): array {
            $read = json_decode(json_encode(Snapshot::of($drawing), \JSON_THROW_ON_ERROR), true);
            \assert(\is_array($read));

            return $read;
        };

        return array_map(
            static fn (Difference $one): array => [$one->kind->value, $one->what, $one->was, $one->is],
            SnapshotDiff::of($kept($then), $kept($now)),
        );
    }

    public function testNothingIsOtherwiseWhereNothingChanged(): void
    {
        $drawing = WrittenReport::drawing(self::document('2026-03'));
        self::assertSame([], self::diff($drawing, WrittenReport::drawing(self::document('2026-03'))));
    }

    public function testOfWhatMovedOnTheSumIsTold(): void
    {
        self::assertSame(
            [
                ['number', 'Amount, Year to date, AC', '490', '678'],
                ['number', "Amount, Year to date, \u{394}BU", '+10', '+38'],
            ],
            self::diff(
                WrittenReport::drawing(self::document('2026-03')),
                WrittenReport::drawing(self::document('2026-04')),
            ),
        );
    }

    public function testFiguresOfAClosedMonthThatAreOthersAreRestated(): void
    {
        $restated = [
            'Fares' => Written::figures(
                str_replace('2026-02,Holm,55', '2026-02,Holm,57', WrittenReport::FARES),
                [],
                'Fares',
            ),
        ];
        $diff = self::diff(
            WrittenReport::drawing(self::document('2026-03')),
            WrittenReport::drawing(self::document('2026-04'), [], $restated),
        );
        self::assertContains(['restated', 'Amount, Feb 2026, AC', '165', '167'], $diff);
        self::assertContains(['restated', "Amount, Feb 2026, \u{394}BU", '+5', '+7'], $diff);
        $same = self::diff(
            WrittenReport::drawing(self::document('2026-03')),
            WrittenReport::drawing(self::document('2026-03'), [], $restated),
        );
        self::assertContains(['restated', 'Amount, Year to date, AC', '490', '492'], $same);
    }

    public function testAClosedQuarterThatIsAnotherIsRestatedAsWell(): void
    {
        $quarters = static fn (string $closing): array => [
            'closedThrough' => $closing,
            'pages' => [WrittenReport::page('p', [[WrittenReport::chart('c', ['by' => 'quarter'])]])],
        ];
        $figures = static fn (string $from, string $to): array => [
            'Fares' => Written::figures(str_replace($from, $to, WrittenReport::FARES), [], 'Fares'),
        ];
        $then = WrittenReport::drawing($quarters('2026-03'));
        $closed = WrittenReport::drawing($quarters('2026-04'), [], $figures('2026-02,Holm,55', '2026-02,Holm,57'));
        self::assertContains(['restated', 'Amount, Q1 2026, AC', '490', '492'], self::diff($then, $closed));
        // The second quarter was not closed then, nor is it now.
        $open = WrittenReport::drawing($quarters('2026-04'), [], $figures('2026-04,Holm,48', '2026-04,Holm,49'));
        foreach (self::diff($then, $open) as [$kind, $what]) {
            self::assertNotSame('restated', $kind, $what);
        }
    }

    public function testADifferenceThatRoundingHidesIsToldExactly(): void
    {
        $little = [
            'Fares' => Written::figures(
                str_replace('2026-02,Holm,55', '2026-02,Holm,55.001', WrittenReport::FARES),
                [],
                'Fares',
            ),
        ];
        $diff = self::diff(
            WrittenReport::drawing(self::document('2026-03')),
            WrittenReport::drawing(self::document('2026-03'), [], $little),
        );
        self::assertContains(['restated', 'Amount, Feb 2026, AC', '165', '165 (exactly 165.001, was 165)'], $diff);
    }

    public function testMessagesTextsNotesChartsAndPagesAreCompared(): void
    {
        $note = ['dataset' => 'Fares', 'measure' => 'Amount', 'period' => '2026-02', 'text' => 'A repair'];
        $then = WrittenReport::drawing(self::document('2026-03'));
        $now = WrittenReport::drawing(
            [
                'closedThrough' => '2026-03',
                'pages' => [
                    WrittenReport::page(
                        'p',
                        [[WrittenReport::chart('d', ['by' => 'Route'])], [['id' => 't', 'text' => 'B']]],
                        ['message' => 'Fares are behind'],
                    ),
                    ['id' => 'q', 'title' => 'New', 'message' => 'Another page'],
                ],
            ],
        );
        self::assertSame(
            [
                ['message', 'Message', 'Fares are ahead', 'Fares are behind'],
                ['text', 'Text', 'A text', 'B'],
                ['chart', 'Amount', null, 'added'],
                ['chart', 'Amount', 'was there', null],
                ['page', 'New', null, 'Another page'],
            ],
            self::diff($then, $now),
        );
        self::assertSame(
            [['note', 'Amount', null, 'A repair']],
            self::diff($then, WrittenReport::drawing(self::document('2026-03'), [$note])),
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Report\Comparing\ReportDifference;
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
            'pages' => [WrittenReport::page(
                'p',
                [[WrittenReport::chart('c', ['against' => ['BU']])], [['id' => 't', 'text' => 'A text']]],
                ['message' => $message],
            )],
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
            static fn (ReportDifference $one): array => [$one->kind->value, $one->what, $one->was, $one->is],
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
                WrittenReport::drawing(self::document('2026-03')), WrittenReport::drawing(self::document('2026-04')),
            ),
        );
    }

    public function testFiguresOfAClosedMonthThatAreOthersAreRestated(): void
    {
        $restated = [
            'Fares' => Written::figures(
                str_replace('2026-02,Holm,55', '2026-02,Holm,57', WrittenReport::FARES), [], 'Fares',
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
                str_replace('2026-02,Holm,55', '2026-02,Holm,55.001', WrittenReport::FARES), [], 'Fares',
            ),
        ];
        $diff = self::diff(
            WrittenReport::drawing(self::document('2026-03')),
            WrittenReport::drawing(self::document('2026-03'), [], $little),
        );
        self::assertContains(['restated', 'Amount, Feb 2026, AC', '165', '165 (exactly 165.001, was 165)'], $diff);
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     */
    private static function charted(string $csv, array $question, array $finish = []): ReportDrawing
    {
        $chart = WrittenReport::chart('c', $question);
        \assert(\is_array($chart['chart']));
        $chart['chart'] += [] === $finish ? [] : ['finish' => $finish];

        return WrittenReport::drawing(
            ['closedThrough' => '2026-03', 'pages' => [WrittenReport::page('p', [[$chart]])]],
            [],
            ['Fares' => Written::figures($csv, [], 'Fares')],
        );
    }

    public function testAnotherQuestionUnitOrTitleIsToldAsThat(): void
    {
        $question = ['against' => ['BU']];
        $then = self::charted(WrittenReport::FARES, $question);
        $filtered = self::diff($then, self::charted(
            WrittenReport::FARES,
            [...$question, 'where' => [['field' => 'Route', 'in' => ['North']]]],
        ));
        self::assertSame('question', $filtered[0][0]);
        self::assertStringContainsString('North', (string) $filtered[0][3]);
        self::assertNotContains('restated', array_column($filtered, 0));
        $less = self::diff($then, self::charted(WrittenReport::FARES, [...$question, 'better' => 'less']));
        self::assertContains(['measure', 'Amount, better', 'more', 'less'], $less);
        $titled = self::diff($then, self::charted(WrittenReport::FARES, $question, ['title' => ['what' => 'Fares']]));
        self::assertSame([['title', 'Amount, title', null, 'Fares']], $titled);
    }

    public function testClearedMonthsAndMembersThatCancelOutAreTold(): void
    {
        $then = self::charted(WrittenReport::FARES, ['against' => ['BU']]);
        $cleared = (string) preg_replace('/^(2026-02,\w+),\d+/m', '$1,', WrittenReport::FARES);
        $gone = array_filter(
            self::diff($then, self::charted($cleared, ['against' => ['BU']])),
            static fn (array $one): bool => 'Amount, Feb 2026, AC' === $one[1],
        );
        self::assertSame([['restated', 'Amount, Feb 2026, AC', '165', null]], array_values($gone));
        $by = ['by' => 'Route', 'against' => ['BU']];
        $more = WrittenReport::FARES."2026-02,East,500,\n2026-02,West,-500,\n";
        $new = self::diff(self::charted(WrittenReport::FARES, $by), self::charted($more, $by));
        self::assertContains(['restated', 'Amount, East, AC', null, '500'], $new);
        self::assertContains(['restated', 'Amount, West, AC', null, "\u{2212}500"], $new);
    }

    /** Whatever changes: each cell that is another in the workings is told, and nothing else is. */
    public function testAllThatDiffersIsToldOverRandomChanges(): void
    {
        mt_srand(26);
        $told = 0;
        for ($round = 0; $round < 60; ++$round) {
            $lines = explode("\n", trim(WrittenReport::FARES));
            for ($i = mt_rand(0, 3); $i > 0; --$i) {
                $at = mt_rand(1, \count($lines) - 1);
                $cells = explode(',', $lines[$at]);
                $lines[$at] = match (mt_rand(0, 3)) {
                    0 => implode(',', [$cells[0], $cells[1], (string) mt_rand(-50, 200), $cells[3]]),
                    1 => implode(',', [$cells[0], $cells[1], '', $cells[3]]),
                    2 => implode(',', [$cells[0], 'East', $cells[2], $cells[3]]),
                    default => implode(',', [$cells[0], $cells[1], $cells[2], (string) mt_rand(0, 200)]),
                };
            }
            $question = ['by' => ['month', 'Route', 'quarter'][$round % 3], 'against' => ['BU']];
            $then = self::charted(WrittenReport::FARES, $question);
            $now = self::charted(implode("\n", $lines)."\n", $question);
            $diff = self::diff($then, $now);
            self::assertSame(self::cells($then, $now), \count($diff), json_encode([$lines, $diff]) ?: '');
            $told += \count($diff);
        }
        self::assertGreaterThan(200, $told);
    }

    /** How many cells of either workings are others, from the workings alone. */
    private static function cells(ReportDrawing $then, ReportDrawing $now): int
    {
        $cells = static function (ReportDrawing $drawing): array {
            $workings = $drawing->workings('c');
            $cells = [];
            foreach ($workings->table->sums() as $key => $sum) {
                foreach ($workings->table->columns as $column) {
                    $cells["$key {$column->id()}"] ??= (string) $column->number($sum);
                }
            }
            foreach ($workings->table->rows as $row) {
                foreach ($workings->table->columns as $column) {
                    $cells["{$row->key->id} {$column->id()}"] = (string) $column->number($row);
                }
            }

            return array_filter($cells, static fn (string $cell): bool => '' !== $cell);
        };
        [$was, $is] = [$cells($then), $cells($now)];
        $differs = 0;
        foreach ($is + $was as $cell => $_) {
            $isSame =
                isset($was[$cell], $is[$cell])
                && BigDecimal::of($was[$cell])->isEqualTo(BigDecimal::of($is[$cell]));
            $differs += $isSame ? 0 : 1;
        }

        return $differs;
    }

    public function testMessagesTextsNotesChartsAndPagesAreCompared(): void
    {
        $note = ['dataset' => 'Fares', 'measure' => 'Amount', 'period' => '2026-02', 'text' => 'A repair'];
        $then = WrittenReport::drawing(self::document('2026-03'));
        $now = WrittenReport::drawing([
            'closedThrough' => '2026-03',
            'pages' => [
                WrittenReport::page(
                    'p',
                    [[WrittenReport::chart('d', ['by' => 'Route'])], [['id' => 't', 'text' => 'B']]],
                    ['message' => 'Fares are behind'],
                ),
                ['id' => 'q', 'title' => 'New', 'message' => 'Another page'],
            ],
        ]);
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

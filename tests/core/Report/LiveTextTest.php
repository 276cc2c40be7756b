<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;
use KeenMargin\Core\Report\Text\LiveNumber;
use KeenMargin\Core\Report\Text\LiveText;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextMarkup;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Words\RowPhrases;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** Numbers in texts live: they follow their chart, or are marked once they are others. */
final class LiveTextTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function document(): array
    {
        return [
            'closedThrough' => '2026-02',
            'pages' => [WrittenReport::page('p', [[WrittenReport::chart('c', ['against' => ['BU']])]])],
        ];
    }

    private static function number(string $said, ?RowKey $row, string $column, string $exact, bool $follows): LiveNumber
    {
        return new LiveNumber(
            said: $said, of: 'c', row: $row, column: $column, exact: BigDecimal::of($exact), follows: $follows,
        );
    }

    public function testANumberThatFollowsSaysWhatIsNow(): void
    {
        $drawing = WrittenReport::drawing(self::document());
        $toDate = RowKey::sum(SumKey::ToDate);
        // 315 against 320 through February.
        $number = self::number('5', $toDate, 'variance:BU', '-5', true);
        self::assertSame('5', $drawing->number($number)->shown());
        $later = WrittenReport::drawn($drawing->report->closed(Period::of('2026-04')));
        // 678 against 640 through April; the sign has turned, so that it is told.
        self::assertSame('+38', $later->number($number)->shown());
        self::assertFalse($later->number($number)->isStale());
    }

    public function testANumberThatStaysIsMarkedOnceItIsAnother(): void
    {
        $drawing = WrittenReport::drawing(self::document());
        $row = RowKey::row('2026-02');
        $number = self::number('165', $row, 'AC', '165', false);
        self::assertFalse($drawing->number($number)->isStale());
        $restated = WrittenReport::drawn($drawing->report, [], [
            'Fares' => Written::figures(
                str_replace('2026-02,Holm,55', '2026-02,Holm,57', WrittenReport::FARES), [], 'Fares',
            ),
        ]);
        $now = $restated->number($number);
        self::assertSame([true, '165', '167', '167'], [$now->isStale(), $now->shown(), $now->now, $now->exact]);
    }

    public function testANumberOfTheClosingPeriodMovesOnWithIt(): void
    {
        $drawing = WrittenReport::drawing(self::document());
        $number = self::number('165', null, 'AC', '165', true);
        self::assertSame('165', $drawing->number($number)->shown());
        $later = WrittenReport::drawn($drawing->report->closed(Period::of('2026-03')));
        self::assertSame('175', $later->number($number)->shown());
    }

    public function testANumberWhoseChartOrRowIsGoneSaysSo(): void
    {
        $drawing = WrittenReport::drawing(self::document());
        $gone = $drawing->number(new LiveNumber('1', 'away', RowKey::row('x'), 'AC', BigDecimal::one()));
        self::assertSame([true, '1'], [$gone->isStale(), $gone->shown()]);
        self::assertStringContainsString('not in this report any more', $gone->says);
        $rowless = $drawing->number(self::number('1', RowKey::row('2020-01'), 'AC', '1', true));
        self::assertTrue($rowless->isStale());
        self::assertStringContainsString('no longer has the row', $rowless->says);
    }

    /** Whatever number of a chart a text takes, it shows what the workings show, at any closing period. */
    public function testEveryNumberIsThatOfTheWorkings(): void
    {
        $report = WrittenReport::report(self::document() + []);
        $taken = [];
        $first = WrittenReport::drawn($report);
        $workings = $first->workings('c');
        foreach ($workings->table->rowsByKey() as $row) {
            foreach ($workings->table->columns as $column) {
                $exact = RowPhrases::exact($column, $row);
                $told = $workings->told($column, $row);
                '' === $exact || ($taken[] = self::number($told, $row->key, $column->id(), $exact, true));
            }
        }
        self::assertGreaterThan(10, \count($taken));
        foreach (['2026-01', '2026-02', '2026-03', '2026-04'] as $closing) {
            $drawing = WrittenReport::drawn($report->closed(Period::of($closing)));
            $now = $drawing->workings('c');
            foreach ($taken as $number) {
                $row = $now->table->maybeRow($number->row->id ?? '');
                $column = $now->table->maybeColumn($number->column);
                self::assertNotNull($row);
                self::assertNotNull($column);
                self::assertSame(
                    $now->told($column, $row),
                    $drawing->number($number)->shown(),
                    "$closing: {$row->label}, {$column->head}",
                );
            }
        }
    }

    public function testTheFewSignsOfATextAreRead(): void
    {
        $number = self::number('61', null, 'AC', '61', true);
        $text = new LiveText(["**Fuel** is up\n\n- by ", $number, " k\n- a **bold\nnot any more <b>x</b>"]);
        $read = array_map(
            static fn (Paragraph $one): array => [
                $one->isEntry,
                array_map(static fn (TextRun $run): array => [$run->text, $run->isStrong, $run->number], $one->runs),
            ],
            TextMarkup::paragraphs($text, static fn (LiveNumber $one): string => $one->said),
        );
        self::assertSame(
            [
                [false, [['Fuel', true, null], [' is up', false, null]]],
                [true, [['by ', false, null], ['61', false, 0], [' k', false, null]]],
                [true, [['a ', false, null], ['bold', true, null]]],
                [false, [['not any more <b>x</b>', false, null]]],
            ],
            $read,
        );
    }
}

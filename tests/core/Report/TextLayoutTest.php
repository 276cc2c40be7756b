<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Report\Layout\LaidText;
use KeenMargin\Core\Report\Layout\PlacedText;
use KeenMargin\Core\Report\Layout\TextLayout;
use KeenMargin\Core\Report\Text\Paragraph;
use KeenMargin\Core\Report\Text\TextRun;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Text;
use PHPUnit\Framework\TestCase;

/** Paragraphs in lines: within their width, each run in its weight, numbers whole. */
final class TextLayoutTest extends TestCase
{
    /**
     * @param list<Paragraph> $paragraphs
     * @param list<int> $stale
     */
    private static function laid(array $paragraphs, float $width, array $stale = []): LaidText
    {
        $placed = new PlacedText(
            paragraphs: $paragraphs, left: 10.0, top: 20.0, width: $width, size: 12.0, line: 17.0, between: 7.0,
        );

        return TextLayout::of($placed, 't', $stale);
    }

    /** @return list<list<Text>> by line */
    private static function lines(LaidText $laid): array
    {
        $lines = [];
        foreach ($laid->marks as $mark) {
            if ($mark instanceof Text) {
                $lines[(string) $mark->y][] = $mark;
            }
        }

        return array_values($lines);
    }

    /** @return list<string> */
    private static function said(LaidText $laid): array
    {
        $text = static fn (Text $one): string => $one->text;

        return array_map(static fn (array $line): string => implode('', array_map($text, $line)), self::lines($laid));
    }

    public function testLinesAreBrokenBetweenWordsAndStayWithinTheWidth(): void
    {
        $text = 'Net revenue rose in July because the Island Days had moved from August, and fell again after them.';
        foreach ([60.0, 120.0, 240.0, 900.0] as $width) {
            $laid = self::laid([new Paragraph([new TextRun($text)])], $width);
            foreach (self::lines($laid) as $line) {
                $last = end($line);
                \assert($last instanceof Text);
                self::assertLessThanOrEqual(10.0 + $width + 4.0, $last->x + $last->width);
                self::assertSame(10.0, $line[0]->x);
            }
            self::assertSame($text, implode('', self::said($laid)));
            self::assertSame(17.0 * \count(self::lines($laid)), $laid->height);
        }
    }

    public function testAWordThatIsWiderThanALineIsCutWithin(): void
    {
        $laid = self::laid([new Paragraph([new TextRun(str_repeat('W', 80))])], 100.0);
        self::assertGreaterThan(5, \count(self::lines($laid)));
        self::assertSame(str_repeat('W', 80), implode('', self::said($laid)));
        foreach (self::lines($laid) as $line) {
            self::assertLessThanOrEqual(111.0, $line[0]->x + $line[0]->width);
        }
    }

    public function testNumbersAreWholeBearTheirPlaceAndAreMarkedWhereTheyAreOthers(): void
    {
        $runs = [
            new TextRun('Ahead by '),
            new TextRun('1 234', number: 0),
            new TextRun(', after '),
            new TextRun('48', number: 1),
        ];
        $laid = self::laid([new Paragraph($runs)], 70.0, [1]);
        $numbers = [];
        foreach (array_merge(...self::lines($laid)) as $text) {
            null === $text->key || ($numbers[$text->key] = [$text->text, $text->role]);
        }
        self::assertSame(['t:0' => ['1 234', 'live-number'], 't:1' => ['48', 'stale-number']], $numbers);
    }

    public function testEmphasisIsHeavierAndEntriesAreIndentedBehindAMark(): void
    {
        $laid = self::laid(
            [
                new Paragraph([new TextRun('Fuel', true), new TextRun(' costs more')]),
                new Paragraph([new TextRun('North')], true),
                new Paragraph([new TextRun('Holm')], true),
            ],
            400.0,
        );
        [$first, $north, $holm] = self::lines($laid);
        self::assertSame([600, 400], [$first[0]->weight, $first[1]->weight]);
        self::assertSame($first[0]->x + $first[0]->width, $first[1]->x);
        self::assertSame([22.0, 22.0], [$north[0]->x, $holm[0]->x]);
        self::assertCount(2, array_filter($laid->marks, static fn ($mark): bool => $mark instanceof Circle));
        // Entries stand closer to one another than paragraphs do.
        self::assertSame(17.0 + 7.0, $north[0]->y - $first[0]->y);
        self::assertEqualsWithDelta(17.0 + 2.45, $holm[0]->y - $north[0]->y, 0.001);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Drawing\ScaleCheck;
use KeenMargin\Core\Scene\Group;
use KeenMargin\Core\Scene\Mark;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Scene;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** How each kind draws figures that a reader can follow by eye. */
final class KindsTest extends TestCase
{
    use SceneProperties;

    private const MONTHS =
        'Month,Actual,Budget,Forecast,Prior '.
        "year\n2026-06,588,612,,560\n2026-07,781,745,,700\n2026-08,742,760,,720\n2026-09,,560,548,530\n";
    private const AGAINST = ['forecast' => 'FC', 'against' => ['BU']];

    public function testAValueStandsInsideItsReferenceOfOneCentreAndBase(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, [], 'nested-columns');
        foreach (self::rects($drawing, 'value') as $i => $value) {
            $reference = self::rects($drawing, 'reference')[$i];
            self::assertEqualsWithDelta($reference->x + $reference->width / 2, $value->x + $value->width / 2, 1e-9);
            self::assertEqualsWithDelta($reference->y + $reference->height, $value->y + $value->height, 1e-9);
            self::assertGreaterThan($value->width, $reference->width);
        }
        self::assertSame(["\u{2212}24", '+36', "\u{2212}18", "\u{2212}12"], self::words($drawing, 'variance-label'));
        self::assertSame(['588', '781', '742', '548'], self::words($drawing, 'inside-label'));
        self::assertSame([], self::rects($drawing, 'gap'));
    }

    public function testNestedLabelsTellTheRelativeVarianceOrBoth(): void
    {
        self::assertSame(
            ["\u{2212}3.9 %", '+4.8 %', "\u{2212}2.4 %", "\u{2212}2.1 %"],
            self::words(
                Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'percent'], 'nested-columns'),
                'variance-label',
            ),
        );
        self::assertSame(
            "\u{2212}24 (\u{2212}3.9 %)",
            self::words(
                Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'both'], 'nested-columns'),
                'variance-label',
            )[0],
        );
    }

    public function testAThinBarSpansTheGapBetweenTheTops(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, ['gap' => true], 'nested-columns');
        foreach (self::rects($drawing, 'gap') as $i => $gap) {
            $tops = [self::rects($drawing, 'value')[$i]->y, self::rects($drawing, 'reference')[$i]->y];
            self::assertEqualsWithDelta([min($tops), max($tops)], [$gap->y, $gap->y + $gap->height], 1e-9);
        }
        self::assertSame(
            ['unfavourable', 'favourable', 'unfavourable', 'hatch-unfavourable'],
            array_map(static fn (Rect $gap): string => $gap->fill, self::rects($drawing, 'gap')),
        );
    }

    public function testTargetsAreMarkedAndMissesArePaler(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, [], 'target-marks');
        self::assertSame(
            ['missed', 'ink', 'missed', 'hatch-missed'],
            array_map(static fn (Rect $value): string => $value->fill, self::rects($drawing, 'value')),
        );
        $zero = self::lines($drawing, 'axis')[0]->y1;
        foreach (self::lines($drawing, 'target') as $i => $tick) {
            self::assertEqualsWithDelta(
                [612, 745, 760, 560][$i] / 588, ($zero - $tick->y1) / self::rects($drawing, 'value')[0]->height, 1e-9,
            );
        }
        self::assertStringContainsString(
            'a tick marks BU, paler ones miss it', implode(' ', self::words($drawing, 'title')),
        );
    }

    public function testATargetCanBeADotAndLessCanBeBetter(): void
    {
        $drawing = Written::drawing(
            self::MONTHS, self::AGAINST + ['better' => 'less'], ['mark' => 'dot'], 'target-marks',
        );
        self::assertCount(4, self::circles($drawing, 'target'));
        self::assertSame([], self::lines($drawing, 'target'));
        self::assertSame(
            ['ink', 'missed', 'ink', 'hatch-ink'],
            array_map(static fn (Rect $value): string => $value->fill, self::rects($drawing, 'value')),
        );
        self::assertStringContainsString('a dot marks BU', implode(' ', self::words($drawing, 'title')));
    }

    public function testBothLinesRunThroughTheirAmountsOnOneScale(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, [], 'gap-line');
        $zero = self::lines($drawing, 'axis')[0]->y1;
        $heights = static fn (string $role): array => array_map(
            static fn (array $point): float => $zero - $point[1],
            self::paths($drawing, $role)[0]->points,
        );
        $shown = $heights('value-line');
        foreach ([781, 742, 548] as $i => $amount) {
            self::assertEqualsWithDelta($amount / 588, $shown[$i + 1] / $shown[0], 1e-9);
        }
        foreach ([612, 745, 760, 560] as $i => $amount) {
            self::assertEqualsWithDelta($amount / 588, $heights('reference-line-through')[$i] / $shown[0], 1e-9);
        }
        self::assertSame(['BU', 'AC'], self::words($drawing, 'series-name'));
        self::assertSame(['588', '548'], self::words($drawing, 'value-label'));
    }

    public function testALineStopsWhereAValueIsMissing(): void
    {
        $drawing = Written::drawing(
            "Month,Actual,Budget\n2026-01,5,4\n2026-02,6,4\n2026-03,,4\n2026-04,6,4\n2026-05,7,4\n",
            ['against' => ['BU']],
            [],
            'gap-line',
        );
        self::assertCount(2, self::paths($drawing, 'value-line'));
        self::assertCount(1, self::paths($drawing, 'reference-line-through'));
        self::assertSame(['–'], self::words($drawing, 'missing'));
    }

    public function testAGapLineIsOfSixtyPeriodsAtMost(): void
    {
        $csv = "Month,Actual,Budget\n";
        for ($i = 0; $i < 61; ++$i) {
            $csv .= \sprintf("%d-%02d,5,4\n", 2020 + intdiv($i, 12), ($i % 12) + 1);
        }
        self::assertCount(
            60,
            Written::drawing(
                $csv, ['against' => ['BU'], 'span' => ['from' => '2020-01', 'to' => '2024-12']], [], 'gap-line',
            )->workings->table->rows,
        );
        $this->expectExceptionObject(new NotAccepted(
            'question.span', 'A gap line shows 60 periods at most; ask for fewer of them, or by a coarser grain.',
        ));
        Written::drawing($csv, ['against' => ['BU']], [], 'gap-line');
    }

    public function testAHatHasItsBrimAtTheFirstAndItsBlockToTheSecond(): void
    {
        $csv =
            "Month,Route,Cabin,Amount\n2026-01,North,Seat,180\n2026-01,North,Berth,240\n2026-01,Holm,Seat,150\n".
            "2026-01,Holm,Berth,120\n";
        $drawing = Written::drawing(
            $csv,
            ['by' => 'Route', 'between' => ['field' => 'Cabin', 'first' => 'Seat', 'second' => 'Berth']],
            ['turn' => true],
            'hat',
        );
        [$north, $holm] = self::rects($drawing, 'change');
        self::assertSame(['favourable', 'unfavourable'], [$north->fill, $holm->fill]);
        self::assertEqualsWithDelta(2.0, $north->height / $holm->height, 1e-9);
        $zero = self::lines($drawing, 'axis')[0]->y1;
        [$first, $other] = self::lines($drawing, 'brim');
        self::assertEqualsWithDelta(180 / 150, ($zero - $first->y1) / ($zero - $other->y1), 1e-9);
        self::assertEqualsWithDelta(180 / 60, ($zero - $first->y1) / $north->height, 1e-9);
        self::assertEqualsWithDelta($first->y1, $north->y + $north->height, 1e-9);
        self::assertSame(['+60', "\u{2212}30", '+30'], self::words($drawing, 'variance-label'));
        self::assertStringContainsString(
            'from Seat (the line) to Berth (the block)', implode(' ', self::words($drawing, 'title')),
        );
    }

    public function testACapacityIsFilledUpToWhatIsUsed(): void
    {
        $csv =
            "Month,Scenario,Used,Offered\n2026-01,Actual,74,100\n2026-01,Target,88,100\n2026-02,Actual,92,100\n".
            "2026-02,Target,88,100\n2026-03,Actual,80,100\n2026-03,Target,88,100\n";
        $drawing = Written::drawing(
            $csv, ['used' => 'Used', 'total' => 'Offered', 'against' => ['TG']], [], 'capacity-fill',
        );
        foreach ([74, 92, 80] as $i => $used) {
            self::assertEqualsWithDelta(
                $used / 100,
                self::rects($drawing, 'used')[$i]->height / self::rects($drawing, 'whole')[$i]->height,
                1e-9,
            );
        }
        self::assertContains('74.0 %', self::words($drawing, 'rate-label'));
        self::assertContains('92.0 %', self::words($drawing, 'rate-label'));
        self::assertContains('80.0', self::words($drawing, 'rate-label'));
        self::assertStringContainsString(
            'target of the total marked; rate against 88.0 %', implode(' ', self::words($drawing, 'title')),
        );
        $gaps = array_map(static fn ($gap): float => abs($gap->y2 - $gap->y1), self::lines($drawing, 'rate-gap'));
        self::assertEqualsWithDelta(14 / 4, $gaps[0] / $gaps[1], 1e-9);
    }

    public function testOnlyTheExtremesAreLabelledWhereThatIsAsked(): void
    {
        $csv = "Month,Used,Offered\n2026-01,74,100\n2026-02,92,100\n2026-03,80,100\n";
        $drawing = Written::drawing(
            $csv, ['used' => 'Used', 'total' => 'Offered'], ['labels' => 'extremes'], 'capacity-fill',
        );
        self::assertSame(['74.0 %', '92.0 %'], self::words($drawing, 'rate-label'));
    }

    public function testEitherVarianceTierCanBeLeftOut(): void
    {
        self::assertSame(
            [[], 4],
            [
                self::words(Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'amount']), 'percent-label'),
                \count(
                    self::rects(Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'amount']), 'variance'),
                ),
            ],
        );
        self::assertSame(
            [[], 4],
            [
                self::rects(Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'percent']), 'variance'),
                \count(
                    self::rects(Written::drawing(self::MONTHS, self::AGAINST, ['variance' => 'percent']), 'pin-head'),
                ),
            ],
        );
    }

    public function testVariancesCanBeLongerPerUnitThanTheValues(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, ['sameLength' => false]);
        [$first, $second] = self::rects($drawing, 'variance');
        self::assertEqualsWithDelta(24 / 36, $first->height / $second->height, 1e-9);
        self::assertGreaterThan((2 * self::rects($drawing, 'value')[0]->height) / 588, $first->height / 24);
        self::assertTrue($drawing->checks()[\count($drawing->checks()) - 1]->holds);
    }

    public function testPinsAreCutAtTheReadersLimitAndKeepTheirTrueLabel(): void
    {
        $drawing = Written::drawing(self::MONTHS, self::AGAINST, ['limit' => '3']);
        self::assertCount(2, self::paths($drawing, 'cut'));
        self::assertSame(["\u{2212}3.9", '+4.8', "\u{2212}2.4", "\u{2212}2.1"], self::words($drawing, 'percent-label'));
    }

    /** The check measures the finished scene, so a wrong mark in any kind must make it fail. */
    public function testTheCheckOfTheScaleFailsForEveryKindWhereAMarkIsTooLong(): void
    {
        $csv =
            "Month,Class,Scenario,Used,Offered\n2026-01,Foot,Actual,74,100\n2026-01,Foot,Budget,88,100\n".
            "2026-01,Car,Actual,50,80\n2026-01,Car,Budget,60,70\n2026-02,Foot,Actual,70,90\n".
            "2026-02,Foot,Budget,66,90\n2026-02,Car,Actual,55,85\n2026-02,Car,Budget,50,85\n";
        $asked = [
            'measure' => 'Used',
            'against' => ['BU'],
            'used' => 'Used',
            'total' => 'Offered',
            'between' => ['field' => 'Class', 'first' => 'Foot', 'second' => 'Car'],
        ];
        foreach (
            [
                'variance-tiers' => 'variance',
                'nested-columns' => 'value',
                'target-marks' => 'value',
                'gap-line' => 'gap',
                'hat' => 'change',
                'capacity-fill' => 'used',
            ] as $kind => $role
        ) {
            $drawing = Written::drawing($csv, $asked, [], $kind);
            self::assertTrue(ScaleCheck::maybe($drawing->scene, $drawing->workings->table, '')?->holds, $kind);
            self::assertFalse(
                ScaleCheck::maybe(self::lengthened($drawing, $role), $drawing->workings->table, '')?->holds, $kind,
            );
        }
    }

    /** The scene with the first mark of a role a point too long. */
    private static function lengthened(Drawing $drawing, string $role): Scene
    {
        $isDone = false;
        $groups = array_map(
            static fn (Group $group): Group => new Group(
                array_map(static function (Mark $mark) use ($role, &$isDone): Mark {
                    if ($isDone || !($mark instanceof Rect) || $mark->role !== $role) {
                        return $mark;
                    }
                    $isDone = true;

                    return new Rect(
                        x: $mark->x,
                        y: $mark->y,
                        width: $mark->width,
                        height: $mark->height + 1,
                        fill: $mark->fill,
                        stroke: $mark->stroke,
                        role: $mark->role,
                        key: $mark->key,
                        of: $mark->of,
                        measures: $mark->measures,
                    );
                }, $group->marks),
                $group->role,
            ),
            $drawing->scene->groups,
        );

        return new Scene($drawing->scene->width, $drawing->scene->height, '', '', $groups);
    }
}

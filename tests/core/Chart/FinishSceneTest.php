<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Notation\Ink;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Scene\Circle;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\Note;
use KeenMargin\Core\Workings\About\NotesInChart;
use KeenMargin\Core\Workings\About\NoteTarget;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What a reader adds to a chart: words, notes, size, greys, another beside it. */
final class FinishSceneTest extends TestCase
{
    use SceneProperties;

    private const CSV =
        "Month,Route,Actual,Budget,Forecast\n2026-01,North,302000,310000,\n".
        "2026-01,Holm,102000,90000,\n2026-02,North,311000,298000,\n2026-02,Holm,90000,95000,\n".
        "2026-03,North,,300000,305000\n2026-03,Holm,,90000,95000\n";

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     */
    private static function drawn(
        array $question = [],
        array $finish = [],
        ?NotesInChart $notes = null,
        string $kind = 'variance-tiers',
    ): Drawing {
        return Drawing::of(
            Written::recipe($question + ['against' => ['BU']], $finish, $kind),
            Written::figures(self::CSV),
            ChartKinds::all(),
            $notes,
        );
    }

    /** @return list<string> */
    private static function said(Drawing $drawing, string $role): array
    {
        return array_values(array_map(
            static fn (Text $text): string => $text->text,
            array_filter(self::texts($drawing), static fn (Text $text): bool => $text->role === $role),
        ));
    }

    public function testTheMessageStandsAboveTheTitleAndTheFootnoteBelow(): void
    {
        $drawing = self::drawn(
            [], ['message' => ['text' => 'We are ahead of budget'], 'footnote' => 'Without harbour dues'], null,
        );
        self::assertProper($drawing);
        self::assertSame(['We are ahead of budget'], self::said($drawing, 'message'));
        self::assertSame(['Without harbour dues'], self::said($drawing, 'footnote'));
        $texts = self::texts($drawing);
        $y = static fn (string $text): float => array_values(
            array_filter($texts, static fn (Text $one): bool => $one->text === $text),
        )[0]->y;
        self::assertLessThan($y('Example'), $y('We are ahead of budget'));
        self::assertSame(
            max([0.0, ...array_map(static fn (Text $text): float => $text->y, $texts)]),
            $y('Without harbour dues'),
        );
    }

    public function testLongWordsAreWrapped(): void
    {
        $long = implode(' ', array_fill(0, 60, 'Überfahrten'));
        $drawing = self::drawn(
            [],
            [
                'width' => 400,
                'message' => ['text' => mb_substr($long, 0, 600)],
                'footnote' => mb_substr($long, 0, 600),
                'title' => [
                    'who' => mb_substr($long, 0, 300),
                    'what' => '<script>alert(1)</script>',
                    'when' => mb_substr($long, 0, 300),
                ],
            ],
        );
        self::assertProper($drawing);
        self::assertGreaterThan(5, \count(self::said($drawing, 'footnote')));
        self::assertStringNotContainsString('<script>', (new SvgRenderer())->render($drawing->scene));
    }

    public function testLinesOfTheTitleStandInPlaceOfTheComposedOnes(): void
    {
        self::assertSame(
            ['Example', 'Amount', 'in k', 'Jan–Mar 2026: AC against BU'], self::said(self::drawn(), 'title'),
        );
        self::assertSame(
            ['The fleet', 'Amount', 'in k', 'This spring'],
            self::said(self::drawn([], ['title' => ['who' => 'The fleet', 'when' => 'This spring']]), 'title'),
        );
        self::assertSame(
            ['Example', 'Fares in thousands', 'Jan–Mar 2026: AC against BU'],
            self::said(self::drawn([], ['title' => ['what' => 'Fares in thousands']]), 'title'),
        );
    }

    #[TestWith([330, 'variance-tiers'])]
    #[TestWith([480, 'variance-tiers'])]
    #[TestWith([1100, 'variance-tiers'])]
    #[TestWith([620, 'nested-columns'])]
    #[TestWith([620, 'gap-line'])]
    #[TestWith([620, 'target-marks'])]
    public function testTheHeightIsAsAsked(int $height, string $kind): void
    {
        $drawing = self::drawn(['forecast' => 'FC'], ['height' => $height], null, $kind);
        self::assertProper($drawing);
        self::assertEqualsWithDelta($height, $drawing->scene->height, 1.0);
    }

    public function testBarsAreHigherToo(): void
    {
        $drawing = self::drawn(['by' => 'Route'], ['height' => 500]);
        self::assertProper($drawing);
        self::assertEqualsWithDelta(500, $drawing->scene->height, 1.0);
    }

    public function testItIsNeverLowerThanLabelsNeed(): void
    {
        $drawing = self::drawn([], ['height' => 180]);
        self::assertProper($drawing);
        self::assertGreaterThan(180, $drawing->scene->height);
    }

    public function testValuesAreWrittenWithinWhereTheyHaveRoom(): void
    {
        $drawing = self::drawn(['forecast' => 'FC'], ['labelsAt' => 'inside']);
        self::assertProper($drawing);
        self::assertSame(['404', '401', '400'], self::said($drawing, 'inside-label'));
        $bars = self::rects($drawing, 'value');
        foreach (self::texts($drawing, 'inside-label') as $i => $text) {
            self::assertEqualsWithDelta($bars[$i]->x + $bars[$i]->width / 2, $text->x + $text->width / 2, 0.01);
        }
        self::assertSame([], self::said($drawing, 'value-label'));
        foreach (range(1, 30) as $seed) {
            $random = Drawing::of(
                Written::recipe(
                    ['against' => ['BU', 'PY'], 'forecast' => 'FC'],
                    ['labelsAt' => 'inside', 'turn' => 0 === $seed % 3, 'width' => 400 + 40 * $seed],
                ),
                Written::figures((new RandomFigures($seed, 1 + ($seed % 20)))->csv()),
                ChartKinds::all(),
            );
            self::assertProper($random);
        }
    }

    public function testGreysHaveNoColour(): void
    {
        $svg = (new SvgRenderer())->render(
            self::drawn(['forecast' => 'FC'], ['colours' => 'greys', 'highlight' => ['2026-01']])->scene,
        );
        preg_match_all('/#([0-9A-F]{2})([0-9A-F]{2})([0-9A-F]{2})"/', $svg, $colours, \PREG_SET_ORDER);
        self::assertNotSame([], $colours);
        foreach ($colours as [, $red, $green, $blue]) {
            self::assertLessThanOrEqual(
                12,
                max(hexdec($red), hexdec($green), hexdec($blue)) - min(hexdec($red), hexdec($green), hexdec($blue)),
                "#$red$green$blue",
            );
        }
    }

    public function testInGreysEffectsDifferInLightness(): void
    {
        $light = static fn (Ink $ink): float => array_sum(
            array_map(hexdec(...), str_split(substr($ink->grey(), 1), 2)),
        ) / 3;
        self::assertGreaterThan(80, $light(Ink::Favourable) - $light(Ink::Unfavourable));
    }

    /** @param list<string> $periods */
    private static function notes(Recipe $recipe, array $periods, bool $areWritten = false): NotesInChart
    {
        return new NotesInChart(
            array_map(
                static fn (string $period, int $i): Note => new Note(
                    $i + 1,
                    'Amount',
                    Period::of($period),
                    NoteTarget::of($recipe->question->where)->key(),
                    "Note about $period",
                ),
                $periods,
                array_keys($periods),
            ),
            $recipe->question,
            $areWritten,
        );
    }

    public function testNotesAreNumberedDiscsBesideTheirMarks(): void
    {
        $recipe = Written::recipe(['against' => ['BU']]);
        $drawing = self::drawn([], [], self::notes($recipe, ['2026-02', '2026-01'], true));
        self::assertProper($drawing);
        self::assertSame(['1', '2'], self::said($drawing, 'note-number'));
        self::assertSame(['1', 'Note about 2026-01', '2', 'Note about 2026-02'], self::said($drawing, 'note-text'));
        self::assertSame(
            [], self::said(self::drawn([], ['notes' => false], self::notes($recipe, ['2026-02'])), 'note-number'),
        );
        self::assertSame([], self::said(self::drawn([], [], self::notes($recipe, ['2026-02'])), 'note-text'));
    }

    public function testDiscsAreInNobodysWayOverRandomFigures(): void
    {
        $kinds = ['variance-tiers', 'nested-columns', 'target-marks', 'gap-line'];
        foreach (range(1, 80) as $seed) {
            $periods = 1 + (($seed * 7) % 40);
            $figures = Written::figures((new RandomFigures($seed, $periods))->csv());
            $recipe = Written::recipe(
                ['against' => ['BU'], 'forecast' => 'FC', 'cumulate' => 0 === $seed % 5 ? 'year to date' : null],
                ['width' => 380 + ((37 * $seed) % 1200), 'turn' => 0 === $seed % 7],
                $kinds[$seed % 4],
            );
            $months = array_map(
                static fn (int $i): string => \sprintf('%d-%02d', 2022 + intdiv($i, 12), ($i % 12) + 1),
                range(0, $periods - 1, min(1 + ($seed % 3), max(1, $periods - 1))),
            );
            $drawing = Drawing::of(
                $recipe, $figures, ChartKinds::all(), self::notes($recipe, $months, 0 === $seed % 2),
            );
            self::assertProper($drawing);
            $discs = array_values(array_filter(
                self::marks($drawing),
                static fn ($mark): bool => $mark instanceof Circle && 'note' === $mark->role,
            ));
            self::assertCount(\count($months), $discs, "seed $seed");
            $texts = array_filter(self::texts($drawing), static fn (Text $text): bool => 'note-number' !== $text->role);
            foreach ($discs as $i => $disc) {
                foreach ($texts as $text) {
                    self::assertFalse(
                        $text->box()->overlaps(self::box($disc)), "seed $seed: a disc stands on \"{$text->text}\"",
                    );
                }
                foreach (\array_slice($discs, $i + 1) as $other) {
                    self::assertFalse(self::box($disc)->overlaps(self::box($other)), "seed $seed: discs overlap");
                }
            }
        }
    }

    private static function figures(float $times): FactTable
    {
        return Written::figures(
            "Month,Actual,Budget\n2026-01,".
                100 * $times.
                ','.
                110 * $times.
                "\n2026-02,".
                120 * $times.
                ','.
                90 * $times.
                "\n",
        );
    }

    public function testTwoChartsStandOnOneScale(): void
    {
        $recipe = Written::recipe(['against' => ['BU']], ['width' => 600]);
        [$one, $other] = Drawing::onOneScale([
            Drawing::of($recipe, self::figures(1), ChartKinds::all()),
            Drawing::of($recipe, self::figures(3), ChartKinds::all()),
        ]);
        self::assertProper($one);
        self::assertProper($other);
        $height = static fn (Drawing $drawing): float => self::rects($drawing, 'value')[0]->height;
        self::assertEqualsWithDelta(3.0, $height($other) / $height($one), 0.01);
        self::assertSame(
            [['common-scale', true, 'One scale in both charts']],
            [array_values($one->checks()[\count($one->workings->checks)]->toArray())],
        );
    }

    public function testChartsThatCountDifferentThingsHaveScalesOfTheirOwn(): void
    {
        $recipe = Written::recipe([], ['width' => 600]);
        $rate = Written::figures("Month,Actual\n2026-01,50 %\n2026-02,60 %\n");
        [$one] = Drawing::onOneScale([
            Drawing::of($recipe, self::figures(1), ChartKinds::all()), Drawing::of($recipe, $rate, ChartKinds::all()),
        ]);
        self::assertFalse($one->checks()[\count($one->workings->checks)]->holds);
    }

    public function testMembersStandInTheReadersOwnOrder(): void
    {
        $keys = static fn (array $question): array => self::drawn(
            ['by' => 'Route'] + $question,
        )->workings->table->keys();
        self::assertSame(['North', 'Holm', 'total'], $keys([]));
        self::assertSame(['Holm', 'North', 'total'], $keys(['sequence' => ['Holm']]));
        self::assertSame(['North', 'Holm', 'total'], $keys(['sequence' => ['Holm'], 'order' => 'largest first']));
        self::assertSame(['Holm', 'North', 'total'], $keys(['sequence' => ['Gone', 'Holm', 'North']]));
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Chart;

use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Scene\Rect;
use KeenMargin\Core\Scene\Text;
use KeenMargin\Tests\core\RandomFigures;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class VarianceTiersTest extends TestCase
{
    use SceneProperties;

    private const CSV =
        'Month,Actual,Budget,Forecast,Prior '.
        "year\n2026-07,781,745,,700\n2026-08,742,760,,720\n2026-09,,560,548,530\n";
    private const QUESTION = ['forecast' => 'FC', 'against' => ['BU', 'PY']];

    public function testEveryValueAndVarianceIsLabelled(): void
    {
        $drawing = Written::drawing(self::CSV, self::QUESTION);
        self::assertSame(['781', '742', '548'], self::words($drawing, 'value-label'));
        self::assertSame(['+36', "\u{2212}18", "\u{2212}12"], self::words($drawing, 'variance-label'));
        self::assertSame(['+4.8', "\u{2212}2.4", "\u{2212}2.1"], self::words($drawing, 'percent-label'));
        self::assertSame(['Jul', 'Aug', 'Sep'], self::words($drawing, 'period'));
        self::assertSame(['closed', 'forecast'], self::words($drawing, 'closing-label'));
        self::assertSame(
            ['Example', 'Amount', 'Jul–Sep 2026: AC to Aug, then FC, against BU; PY marked'],
            self::words($drawing, 'title'),
        );
    }

    public function testScenariosBearTheFillsOfTheNotation(): void
    {
        $drawing = Written::drawing(self::CSV, self::QUESTION);
        self::assertSame(
            ['ink', 'ink', 'hatch-ink'],
            array_map(static fn (Rect $rect): string => $rect->fill, self::rects($drawing, 'value')),
        );
        self::assertSame(
            [['panel', 'ink']],
            array_values(array_unique(
                array_map(
                    static fn (Rect $rect): array => [$rect->fill, $rect->stroke],
                    self::rects($drawing, 'reference'),
                ),
                \SORT_REGULAR,
            )),
        );
        self::assertSame(
            ['favourable', 'unfavourable', 'hatch-unfavourable'],
            array_map(static fn (Rect $rect): string => $rect->fill, self::rects($drawing, 'variance')),
        );
    }

    /** As far as it is written, it is neither good nor bad. */
    public function testWhatIsWrittenAsNoughtIsNeutral(): void
    {
        $drawing = Written::drawing("Month,Actual,Budget\n2026-07,500040,500000\n2026-08,520000,500000\n", [
            'against' => ['BU'],
        ]);
        $inks = static fn (string $role): array => array_map(
            static fn (Text $text): array => [$text->text, $text->fill],
            self::texts($drawing, $role),
        );
        self::assertSame([['0', 'quiet'], ['+20', 'favourable-text']], $inks('variance-label'));
        self::assertSame([['0.0', 'quiet'], ['+4.0', 'favourable-text']], $inks('percent-label'));
        self::assertSame(
            ['quiet', 'favourable'],
            array_map(static fn (Rect $rect): string => $rect->fill, self::rects($drawing, 'variance')),
        );
    }

    /** September has no actual: it is in the amounts of budget, and not in the variances. */
    public function testVariancesOfPartOfTheTimeAreSaidInTheSubtitle(): void
    {
        $csv = "Month,Route,Actual,Budget\n2026-08,North,10,9\n2026-08,Holm,5,5\n2026-09,North,,9\n2026-09,Holm,,5\n";
        $drawing = Written::drawing($csv, ['by' => 'Route', 'against' => ['BU']], [], 'nested-columns');
        self::assertSame('Aug–Sep 2026: AC against BU; ΔBU without Sep', self::words($drawing, 'title')[2]);
        self::assertSame([], self::rects($drawing, 'gap'), 'a bar from top to top would be another gap');
        self::assertSame(['+1', '0', '+1'], self::words($drawing, 'variance-label'));
    }

    public function testACostOverrunIsNotPraised(): void
    {
        $drawing = Written::drawing(self::CSV, self::QUESTION + ['better' => 'less']);
        self::assertSame(
            ['unfavourable', 'favourable', 'hatch-favourable'],
            array_map(static fn (Rect $rect): string => $rect->fill, self::rects($drawing, 'variance')),
        );
    }

    public function testColumnsAndVariancesShareOneLengthPerUnit(): void
    {
        $drawing = Written::drawing(self::CSV, self::QUESTION);
        $value = self::rects($drawing, 'value')[0]->height / 781;
        self::assertEqualsWithDelta($value, self::rects($drawing, 'variance')[0]->height / 36, 1e-9);
        self::assertEqualsWithDelta($value, self::rects($drawing, 'reference')[1]->height / 760, 1e-9);
    }

    public function testTheReferenceStandsToTheRightAndPriorYearToTheLeft(): void
    {
        $right = Written::drawing(self::CSV, ['against' => ['BU']]);
        self::assertGreaterThan(self::rects($right, 'value')[0]->x, self::rects($right, 'reference')[0]->x);
        $left = Written::drawing(self::CSV, ['against' => ['PY']]);
        self::assertLessThan(self::rects($left, 'value')[0]->x, self::rects($left, 'reference')[0]->x);
    }

    public function testAMissingValueIsAGapAndNeverAZeroMark(): void
    {
        $drawing = Written::drawing("Month,Actual,Budget\n2026-01,5,4\n2026-02,,4\n2026-03,6,4\n", [
            'against' => ['BU'],
        ]);
        self::assertCount(2, self::rects($drawing, 'value'));
        self::assertSame(['–'], self::words($drawing, 'missing'));
    }

    public function testAnOutlierInPercentIsCutAndKeepsItsTrueLabel(): void
    {
        $csv = "Month,Actual,Budget\n";
        foreach ([101, 99, 102, 98, 900, 101] as $i => $actual) {
            $csv .= '2026-0'.($i + 1).",$actual,100\n";
        }
        $drawing = Written::drawing($csv, ['against' => ['BU']]);
        self::assertContains('+800.0', self::words($drawing, 'percent-label'));
        self::assertCount(1, self::paths($drawing, 'cut'));
    }

    public function testAZeroReferenceHasNoPercentage(): void
    {
        $drawing = Written::drawing("Month,Actual,Budget\n2026-01,5,0\n2026-02,5,4\n", ['against' => ['BU']]);
        self::assertSame(['–'], self::words($drawing, 'missing'));
        self::assertSame(['+25.0'], self::words($drawing, 'percent-label'));
    }

    public function testFlaggedVariancesStandOut(): void
    {
        $labels = self::texts(
            Written::drawing(self::CSV, self::QUESTION + ['flag' => ['percent' => '4']]), 'variance-label',
        );
        self::assertSame([600, 400, 400], array_map(static fn (Text $text): int => $text->weight, $labels));
    }

    public function testACoarserGrainHasWiderColumns(): void
    {
        $csv = "Month,Actual\n2025-01,1\n2025-07,2\n2026-01,3\n";
        $width = static fn (string $by): float => self::rects(
            Written::drawing(
                $csv, ['by' => $by, 'span' => ['from' => '2025-01', 'to' => '2025-12']], ['width' => 1900],
            ),
            'value',
        )[0]->width;
        self::assertGreaterThan($width('month'), $width('quarter'));
        self::assertGreaterThan($width('quarter'), $width('year'));
    }

    public function testTheCheckOfTheScaleMeasuresTheDrawing(): void
    {
        $checks = Written::drawing(self::CSV, self::QUESTION)->checks();
        self::assertSame(['one-scale', true], [$checks[\count($checks) - 1]->id, $checks[\count($checks) - 1]->holds]);
        $drawing = Written::drawing(self::CSV, self::QUESTION);
        $longer = array_map(
            static fn ($group) => new \KeenMargin\Core\Scene\Group(
                array_map(
                    static fn ($mark) => $mark instanceof Rect && 'variance' === $mark->role
                        ? new Rect(
                            $mark->x,
                            $mark->y,
                            $mark->width,
                            $mark->height + 1,
                            $mark->fill,
                            role: 'variance',
                            key: $mark->key,
                            of: $mark->of,
                            measures: $mark->measures,
                        )
                        : $mark,
                    $group->marks,
                ),
                $group->role,
            ),
            $drawing->scene->groups,
        );
        $scene = new \KeenMargin\Core\Scene\Scene($drawing->scene->width, $drawing->scene->height, '', '', $longer);
        self::assertFalse(\KeenMargin\Core\Drawing\ScaleCheck::maybe($scene, $drawing->workings->table, '')?->holds);
    }

    /** @return iterable<string, array{int, int, int}> seed, periods, width */
    public static function scenes(): iterable
    {
        $widths = [360, 480, 640, 880, 1280, 1920];
        for ($seed = 1; $seed <= 240; ++$seed) {
            $periods = $seed <= 60 ? $seed : 1 + (($seed * 7) % 60);
            $width = $widths[$seed % 6];
            yield "seed $seed, $periods periods at $width" => [$seed, $periods, $width];
        }
    }

    #[DataProvider('scenes')]
    public function testTextsStayApartAndOnTheCanvasAndTheScaleIsOne(int $seed, int $periods, int $width): void
    {
        $figures = new RandomFigures($seed, $periods);
        $question = [
            'forecast' => 'FC',
            'against' => [['BU', 'PY'], ['PY', 'BU'], ['BU'], ['FC', 'BU'], []][$seed % 5],
            'flag' => ['percent' => '5'],
            'by' => 0 === $seed % 9 ? 'quarter' : 'month',
        ];
        if (['FC', 'BU'] === $question['against']) {
            unset($question['forecast']);
        }
        $question['closedThrough'] = \sprintf(
            '%d-%02d', 2022 + intdiv($figures->closed, 12), ($figures->closed % 12) + 1,
        );
        $drawing = Drawing::of(
            Written::recipe($question, ['width' => $width, 'locale' => ['en', 'de', 'fr'][$seed % 3]]),
            Written::figures($figures->csv(), [], $figures->name),
            \KeenMargin\Core\Drawing\ChartKinds::all(),
        );
        self::assertProper($drawing);
    }

    public function testTheSameRecipeAndFiguresGiveTheSameBytes(): void
    {
        $svg = static fn (): string => (new SvgRenderer())->render(
            Written::drawing((new RandomFigures(7, 24))->csv(), self::QUESTION)->scene,
        );
        self::assertSame($svg(), $svg());
        $shuffled = explode("\n", trim(self::CSV));
        self::assertSame(
            (new SvgRenderer())->render(Written::drawing(self::CSV, self::QUESTION)->scene),
            (new SvgRenderer())->render(
                Written::drawing(
                    implode("\n", [$shuffled[0], ...array_reverse(\array_slice($shuffled, 1))]),
                    self::QUESTION,
                )->scene,
            ),
        );
    }
}

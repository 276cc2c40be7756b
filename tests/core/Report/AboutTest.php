<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Report;

use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Report\AboutWords;
use PHPUnit\Framework\TestCase;

/** What a page is about stands over the questions of its charts, as far as their figures can follow. */
final class AboutTest extends TestCase
{
    /**
     * @param array<string, mixed> $about
     * @param array<string, mixed> $question
     * @param array<string, mixed> $report
     *
     * @return array{array<string, mixed>, list<string>} the question as it is asked, and what it cannot follow
     */
    private static function asked(
        array $about,
        array $question,
        array $report = [],
        string $dataset = 'Fares',
        string $kind = 'variance-tiers',
    ): array {
        $chart = WrittenReport::chart('c', $question, $dataset, $kind);
        $drawing = WrittenReport::drawing(
            $report + ['pages' => [WrittenReport::page('p', [[$chart]], ['about' => (object) $about])]],
        );
        $asked = $drawing->asked('c');

        return [RecipeWriter::question($asked->recipe->question), $asked->cannot];
    }

    public function testFilterSpanAndReferencesOfThePageStandOverThoseOfTheChart(): void
    {
        [$question, $cannot] = self::asked(
            [
                'where' => [['field' => 'Route', 'in' => ['North']]],
                'span' => ['from' => '2026-01', 'to' => '2026-03'],
                'against' => ['FC'],
            ],
            ['against' => ['BU'], 'where' => [['field' => 'Route', 'in' => ['Holm']]], 'span' => 'year to date'],
        );
        self::assertSame([], $cannot);
        self::assertSame([['field' => 'Route', 'in' => ['North']]], $question['where']);
        self::assertSame(['from' => '2026-01', 'to' => '2026-03'], $question['span']);
        self::assertSame(['FC'], $question['against']);
    }

    public function testWhatThePageIsSilentAboutTheReportSays(): void
    {
        [$question] = self::asked(
            ['span' => 'year to date'],
            ['against' => ['BU']],
            ['about' => ['span' => ['last' => 2, 'unit' => 'month'], 'against' => ['FC']]],
        );
        self::assertSame(['year to date', ['FC']], [$question['span'], $question['against']]);
    }

    public function testAChartSaysWhatItsFiguresCannotFollow(): void
    {
        [$question, $cannot] = self::asked(
            ['where' => [['field' => 'Route', 'in' => ['North']]], 'against' => ['BU']],
            ['against' => []],
            dataset: 'Calls',
        );
        self::assertArrayNotHasKey('where', $question);
        self::assertSame(['It has no Route, and shows all.', 'It has no budget.'], $cannot);
    }

    public function testMembersThatItHasAreFollowedAndTheOthersNamed(): void
    {
        $both = ['where' => [['field' => 'Route', 'in' => ['North', 'Outer']]]];
        [$question, $cannot] = self::asked($both, []);
        self::assertSame([['field' => 'Route', 'in' => ['North']]], $question['where']);
        self::assertSame(['Its Route has no Outer.'], $cannot);
        $none = ['where' => [['field' => 'Route', 'in' => ['Outer']]]];
        [$question, $cannot] = self::asked($none, []);
        self::assertArrayNotHasKey('where', $question);
        self::assertSame(['Its Route has no Outer, and shows all.'], $cannot);
        $butNone = ['where' => [['field' => 'Route', 'notIn' => ['Outer']]]];
        self::assertSame([], self::asked($butNone, [])[1]);
    }

    public function testMembersAreComparedAsFarAsTheBooksAreClosed(): void
    {
        $about = ['span' => ['from' => '2026-01', 'to' => '2026-06']];
        [$byRoute] = self::asked($about, ['by' => 'Route', 'against' => ['BU']]);
        self::assertSame(['from' => '2026-01', 'to' => '2026-04'], $byRoute['span']);
        [$byMonth] = self::asked($about, ['against' => ['BU']]);
        self::assertSame(['from' => '2026-01', 'to' => '2026-06'], $byMonth['span']);
        [$withForecast] = self::asked($about, ['by' => 'Route', 'against' => ['BU'], 'forecast' => 'FC']);
        self::assertSame(['from' => '2026-01', 'to' => '2026-06'], $withForecast['span']);
    }

    public function testABridgeLeadsFromTheReferenceOfThePage(): void
    {
        [$question] = self::asked(
            ['against' => ['FC']], ['by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC']], kind: 'bridge',
        );
        self::assertSame(['from' => 'FC', 'to' => 'AC'], $question['bridge']);
    }

    public function testAChartThatComparesNothingGoesOnComparingNothing(): void
    {
        [$question, $cannot] = self::asked(['against' => ['BU']], [], kind: 'build-up');
        self::assertSame([], $cannot);
        self::assertArrayNotHasKey('against', $question);
    }

    public function testATableWithColumnsOfItsOwnSaysSoWhereTheyCompareSomethingElse(): void
    {
        $table = ['by' => 'Route', 'against' => ['BU'], 'columns' => ['AC', 'BU', "\u{0394}BU", 'share']];
        [$question, $cannot] = self::asked(['against' => ['BU']], $table, kind: 'comparison-table');
        self::assertSame([['BU'], []], [$question['against'], $cannot]);
        [$question, $cannot] = self::asked(['against' => ['FC']], $table, kind: 'comparison-table');
        self::assertSame([['BU'], ['Its columns stay its own.']], [$question['against'], $cannot]);
    }

    public function testThePinnedClosingPeriodIsThatOfEveryChart(): void
    {
        [$question] = self::asked([], ['closedThrough' => '2026-01'], ['closedThrough' => '2026-03']);
        self::assertSame('2026-03', $question['closedThrough']);
    }

    public function testASentenceSaysWhatAPageIsAbout(): void
    {
        $report = WrittenReport::report([
            'about' => ['against' => ['BU']],
            'pages' => [
                [
                    'id' => 'p',
                    'scale' => 'report',
                    'about' => [
                        'where' => [['field' => 'Route', 'notIn' => ['North', '']]],
                        'span' => ['last' => 3, 'unit' => 'month'],
                    ],
                ],
                ['id' => 'q'],
            ],
        ]);
        $text = static fn (int $page): string => implode(
            '',
            array_map(static fn ($part): string => $part->text, AboutWords::ofPage($report, $report->pages[$page])),
        );
        self::assertSame(
            'This page is about all but North and (blank) in the last 3 months against budget, on one scale for the '
                .'whole report.',
            $text(0),
        );
        self::assertSame(
            'This page is about everything in the time of each chart against budget, on one scale.', $text(1),
        );
    }
}

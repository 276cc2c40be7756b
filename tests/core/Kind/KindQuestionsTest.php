<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Kind;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\FirstQuestion;
use KeenMargin\Core\Question\Question;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which kinds figures can answer, and what a change of kind keeps. */
final class KindQuestionsTest extends TestCase
{
    /** of which the figures below tell which ones can answer; another kind's own test tells that of it */
    private const KINDS = ['variance-tiers', 'nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'];

    /** @return iterable<string, array{string, list<string>}> figures, and the kinds that they cannot answer */
    public static function figures(): iterable
    {
        yield 'one scenario by month' => [
            "Month,Actual\n2026-01,1\n2026-02,2\n",
            ['nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'],
        ];
        yield 'actual and budget' => ["Month,Actual,Budget\n2026-01,1,2\n", ['hat', 'capacity-fill']];
        yield 'by route' => ["Month,Route,Actual,Budget\n2026-01,North,1,2\n2026-01,Holm,1,2\n", ['capacity-fill']];
        yield 'one route only' => ["Month,Route,Actual,Budget\n2026-01,North,1,2\n", ['hat', 'capacity-fill']];
        yield 'used and offered' => [
            "Month,Used,Offered\n2026-01,1,2\n", ['nested-columns', 'target-marks', 'gap-line', 'hat'],
        ];
        yield 'measures of two units' => [
            "Month,Sold (EUR),Seats\n2026-01,1,2\n",
            ['nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'],
        ];
        yield 'a list' => ["Route,Actual,Budget\nNorth,1,2\nHolm,3,4\n", ['gap-line', 'hat', 'capacity-fill']];
        yield 'a list of two breakdowns' => [
            "Route,Class,Actual,Budget\nNorth,Foot,1,2\nHolm,Car,3,4\n", ['gap-line', 'capacity-fill'],
        ];
    }

    /** @param list<string> $lacking */
    #[DataProvider('figures')]
    public function testAKindIsOfferedWhereItCanBeDrawnAndNowhereElse(string $csv, array $lacking): void
    {
        $figures = Written::figures($csv);
        foreach (ChartKinds::all()->ids() as $kind) {
            $lacks = ChartKinds::all()->of($kind)->lacks($figures->dataset());
            if (\in_array($kind, self::KINDS, true)) {
                self::assertSame(\in_array($kind, $lacking, true), null !== $lacks, "$kind: $lacks");
            }
            if (null === $lacks) {
                self::assertNotSame([], self::draw($figures, $kind)->workings->table->rows, $kind);
            } else {
                self::assertStringEndsWith('.', $lacks);
            }
        }
    }

    public function testEveryKindCanBeReachedFromEveryOther(): void
    {
        $figures = Written::figures((new RandomMembers(5, 14, 3))->csv, RandomMembers::MAPPING);
        $able = array_filter(
            ChartKinds::all()->ids(),
            static fn (string $id): bool => null === ChartKinds::all()->of($id)->lacks($figures->dataset()),
        );
        self::assertGreaterThan(6, \count($able));
        foreach ($able as $from) {
            $question = self::adapted(
                $figures, $from, FirstQuestion::of($figures->dataset(), ChartKinds::all()->first())->question,
            );
            foreach ($able as $to) {
                $next = self::adapted($figures, $to, $question);
                self::assertNotSame(
                    [],
                    Drawing::of(new Recipe($next, ChartKinds::all()->of($to)), $figures, ChartKinds::all())->workings
                        ->table->rows,
                    "$from to $to",
                );
                self::assertSame(
                    [$question->measure, $question->where, $question->span],
                    [$next->measure, $next->where, $next->span],
                    "$from to $to",
                );
            }
        }
    }

    public function testAChangeOfKindKeepsWhatItCan(): void
    {
        $figures = Written::figures((new RandomMembers(5, 14, 3))->csv, RandomMembers::MAPPING);
        $asked = Written::recipe([
            'measure' => 'Used',
            'by' => 'Class',
            'against' => ['PY'],
            'flag' => ['percent' => '3'],
            'better' => 'less',
            'where' => [['field' => 'Route', 'in' => ['Holm']]],
        ])->question;
        $hat = self::adapted($figures, 'hat', $asked);
        self::assertSame(
            ['Class', 'Route', 'Holm'], [$hat->breakdown(), $hat->between?->field, $hat->between?->second],
        );
        self::assertSame(
            RecipeWriter::question($asked), array_diff_key(RecipeWriter::question($hat), ['between' => 1]),
        );
        $fill = self::adapted($figures, 'capacity-fill', $hat);
        self::assertSame(['Used', 'Offered'], [$fill->capacity?->used, $fill->capacity?->total]);
        self::assertEquals($asked->against, $fill->against);
        self::assertSame('month', self::adapted($figures, 'gap-line', $fill)->grain()?->value);
    }

    public function testALongSpanIsDrawnAsALineByACoarserGrain(): void
    {
        $figures = Written::figures((new RandomMembers(5, 72, 1))->csv, RandomMembers::MAPPING);
        $asked = Written::recipe(['measure' => 'Used', 'against' => ['BU']])->question;
        self::assertSame('quarter', self::adapted($figures, 'gap-line', $asked)->grain()?->value);
    }

    public function testPartsOfACapacityAreKnownByTheirNames(): void
    {
        $capacity = static fn (string $head): array => (array) self::adapted(
            Written::figures("Month,$head\n2026-01,1,2\n"), 'capacity-fill', Written::recipe()->question,
        )->capacity?->told();
        self::assertSame(['used' => 'Seats sold', 'total' => 'Seats offered'], $capacity('Seats offered,Seats sold'));
        self::assertSame(['used' => 'Occupied', 'unused' => 'Free'], $capacity('Free,Occupied'));
        self::assertSame(['used' => 'Trips', 'total' => 'Plans'], $capacity('Trips,Plans'));
    }

    private static function adapted(FactTable $figures, string $kind, Question $question): Question
    {
        return ChartKinds::all()->of($kind)->adapted($question, $figures->dataset());
    }

    private static function draw(FactTable $figures, string $kind): Drawing
    {
        $first = FirstQuestion::of($figures->dataset(), ChartKinds::all()->first());
        $recipe = new Recipe(self::adapted($figures, $kind, $first->question), ChartKinds::all()->of($kind));

        return Drawing::of($recipe, $figures, ChartKinds::all());
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\FirstQuestion;
use KeenMargin\Core\Question\Fit\KindNeeds;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Tests\core\RandomMembers;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which kinds figures can answer, and what a change of kind keeps. */
final class KindNeedsTest extends TestCase
{
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
            "Month,Used,Offered\n2026-01,1,2\n",
            ['nested-columns', 'target-marks', 'gap-line', 'hat'],
        ];
        yield 'measures of two units' => [
            "Month,Sold (EUR),Seats\n2026-01,1,2\n",
            ['nested-columns', 'target-marks', 'gap-line', 'hat', 'capacity-fill'],
        ];
        yield 'a list' => ["Route,Actual,Budget\nNorth,1,2\nHolm,3,4\n", ['gap-line', 'hat', 'capacity-fill']];
        yield 'a list of two breakdowns' => [
            "Route,Class,Actual,Budget\nNorth,Foot,1,2\nHolm,Car,3,4\n",
            ['gap-line', 'capacity-fill'],
        ];
    }

    /** @param list<string> $lacking */
    #[DataProvider('figures')]
    public function testAKindIsOfferedWhereItCanBeDrawnAndNowhereElse(string $csv, array $lacking): void
    {
        $figures = Written::figures($csv);
        $needs = new KindNeeds($figures->dataset());
        foreach (Recipe::KINDS as $kind) {
            $lacks = $needs->lacks($kind);
            self::assertSame(\in_array($kind, $lacking, true), null !== $lacks, "$kind: $lacks");
            if (null === $lacks) {
                self::assertNotSame([], self::draw($figures, $kind)->workings->rows, $kind);
            } else {
                self::assertStringEndsWith('.', $lacks);
            }
        }
    }

    public function testEveryKindCanBeReachedFromEveryOther(): void
    {
        $figures = Written::figures((new RandomMembers(5, 14, 3))->csv, RandomMembers::MAPPING);
        $needs = new KindNeeds($figures->dataset());
        foreach (Recipe::KINDS as $from) {
            $question = $needs->adapted($from, FirstQuestion::of($figures->dataset())->question);
            foreach (Recipe::KINDS as $to) {
                $next = $needs->adapted($to, $question);
                self::assertNotSame(
                    [],
                    Drawing::of(new Recipe($next, $to), $figures, ChartKinds::all())->workings->rows,
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
        $needs = new KindNeeds($figures->dataset());
        $asked = Written::recipe([
            'measure' => 'Used',
            'by' => 'Class',
            'against' => ['PY'],
            'flag' => ['percent' => '3'],
            'better' => 'less',
            'where' => [['field' => 'Route', 'in' => ['Holm']]],
        ])->question;
        $hat = $needs->adapted('hat', $asked);
        self::assertSame(
            ['Class', 'Route', 'Holm'],
            [$hat->breakdown(), $hat->between?->field, $hat->between?->second],
        );
        self::assertSame(
            RecipeWriter::question($asked),
            array_diff_key(RecipeWriter::question($hat), ['between' => 1]),
        );
        $fill = $needs->adapted('capacity-fill', $hat);
        self::assertSame(['Used', 'Offered'], [$fill->capacity?->used, $fill->capacity?->total]);
        self::assertEquals($asked->against, $fill->against);
        self::assertSame('month', $needs->adapted('gap-line', $fill)->grain()?->value);
    }

    public function testALongSpanIsDrawnAsALineByACoarserGrain(): void
    {
        $figures = Written::figures((new RandomMembers(5, 72, 1))->csv, RandomMembers::MAPPING);
        $asked = Written::recipe(['measure' => 'Used', 'against' => ['BU']])->question;
        self::assertSame(
            'quarter',
            (new KindNeeds($figures->dataset()))->adapted('gap-line', $asked)->grain()?->value,
        );
    }

    public function testPartsOfACapacityAreKnownByTheirNames(): void
    {
        $capacity = static fn (string $head): array => (array) (new KindNeeds(
            Written::figures("Month,$head\n2026-01,1,2\n")->dataset(),
        ))
            ->adapted('capacity-fill', Written::recipe()->question)
            ->capacity?->told();
        self::assertSame(['used' => 'Seats sold', 'total' => 'Seats offered'], $capacity('Seats offered,Seats sold'));
        self::assertSame(['used' => 'Occupied', 'unused' => 'Free'], $capacity('Free,Occupied'));
        self::assertSame(['used' => 'Trips', 'total' => 'Plans'], $capacity('Trips,Plans'));
    }

    private static function draw(FactTable $figures, string $kind): Drawing
    {
        $question = (new KindNeeds($figures->dataset()))->adapted(
            $kind,
            FirstQuestion::of($figures->dataset())->question,
        );

        return Drawing::of(new Recipe($question, $kind), $figures, ChartKinds::all());
    }
}

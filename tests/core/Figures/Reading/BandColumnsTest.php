<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Figures;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\BandColumns;
use KeenMargin\Core\Figures\Reading\Mapping\BandMeaning;
use KeenMargin\Core\Figures\Reading\Mapping\Role;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Table\MemberTable;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class BandColumnsTest extends TestCase
{
    /** @return list<?string> limits of an item, in the order of the bands */
    private static function limits(Figures $figures, string $item): array
    {
        $bands = array_values(
            array_filter($figures->dataset()->measures, static fn (Measure $measure): bool => null !== $measure->band),
        );
        usort($bands, static fn (Measure $a, Measure $b): int => $a->band <=> $b->band);

        return array_map(
            static fn (Measure $measure): ?string => MemberTable::of(
                figures: $figures,
                measure: $measure,
                scenario: Scenario::Actual,
                forecast: null,
                by: null,
                where: [new MemberFilter('Item', [$item])],
                fine: [Period::timeless()],
                grain: Grain::Timeless,
                largestFirst: false,
                from: 0,
                most: 1,
            )
                ->total[1]?->strippedOfTrailingZeros()
                ->toString(),
            $bands,
        );
    }

    /**
     * @param list<string> $possible
     * @param list<string> $limits of the first item, by the first of what is possible
     */
    #[TestWith([
        "Item,Value,Target,Band 1,Band 2,Band 3,Band 4\nA,90,80,60,15,15,10\n",
        ['increments'],
        ['60', '75', '90', '100'],
    ])]
    #[TestWith([
        "Item,Value,Target,Poor,Fair,Good\nA,72,80,60,75,100\n",
        ['limits', 'increments', 'percent of target'],
        ['60', '75', '100'],
    ])]
    #[TestWith(["Item,Value,Poor,Fair,Good\nA,72,60,75,100\n", ['limits', 'increments'], ['60', '75', '100']])]
    #[TestWith(["Item,Value,Target,Poor,Fair\nA,72,80,75 %,90 %\n", ['percent of target'], ['60', '72']])]
    #[TestWith(["Item,Value,Target,Poor %,Good %\nA,72,85.5,75,90\n", ['percent of target'], ['64.125', '76.95']])]
    #[TestWith(["Item,Value,Target,Low,High\nA,7200,8000,6000,9000\n", ['limits', 'increments'], ['6000', '9000']])]
    #[TestWith(["Item,Value,Target,Low,High\nA,-7,-8,-9,-3\n", ['limits'], ['-9', '-3']])]
    public function testWhatBandsMayMean(string $csv, array $possible, array $limits): void
    {
        $sheet = Written::sheet($csv);
        $mapping = RoleGuess::of($sheet);
        self::assertSame(
            $possible,
            array_map(
                static fn (BandMeaning $meaning): string => $meaning->value,
                BandColumns::of($sheet, $mapping)->possible($sheet),
            ),
        );
        self::assertSame(
            \count($possible) > 1,
            \in_array('bands', RoleGuess::doubts($sheet, $mapping), true),
            'asked only where the file does not tell',
        );
        self::assertSame($limits, self::limits(Written::figures($csv), 'A'));
    }

    public function testTheReaderIsToldWhatTheyAre(): void
    {
        $csv = "Item,Value,Target,Poor,Fair\nA,72,80,75,90\nB,4,4,50,60\n";
        $with = static fn (string $meaning): array => [
            self::limits(Written::figures($csv, ['bands' => $meaning]), 'A'),
            self::limits(Written::figures($csv, ['bands' => $meaning]), 'B'),
        ];
        self::assertSame([['75', '90'], ['50', '60']], $with('limits'));
        self::assertSame([['75', '165'], ['50', '110']], $with('increments'));
        self::assertSame([['60', '72'], ['2', '2.4']], $with('percent of target'));
        $examples = BandColumns::of(Written::sheet($csv), RoleGuess::of(Written::sheet($csv)))->examples(
            Written::sheet($csv), RoleGuess::of(Written::sheet($csv)),
        );
        self::assertSame(['meaning' => 'percent of target', 'says' => 'A: 60, 72; B: 2, 2.4'], $examples[2]);
    }

    #[TestWith([
        'limits',
        "Item,Value,Target,Poor,Fair\nA,1,2,60,75\nB,1,2,75,60\n",
        'Row 3: the limits of its bands do not rise: 75 and 60. Say that they are increments, or mend them.',
    ])]
    #[TestWith([
        'increments',
        "Item,Value,Target,Poor,Fair\nA,1,2,60,0\n",
        'Row 2: the limits of its bands do not rise: 60 and 60. Mend them, or say what else they are.',
    ])]
    #[TestWith([
        'percent of target',
        "Item,Value,Target,Poor,Fair\nA,1,2,60,90\nB,1,,60,90\n",
        'Row 3: the bands are in percent of the target, and the row has no target. Fill it in, or leave the row '.
        'out.',
    ])]
    #[TestWith(['limits', "Item,Value,Target,Poor,Fair\nA,1,2,60,90\nB,1,2,60,much\n", 'Row 3'])]
    public function testLimitsThatDoNotRiseAreRefusedWithTheirRow(string $meaning, string $csv, string $says): void
    {
        $this->expectException(RefusedFigures::class);
        $this->expectExceptionMessage($says);
        Written::figures($csv, ['bands' => $meaning]);
    }

    public function testAFileWithDecimalCommas(): void
    {
        $figures = Written::figures("Item;Wert;Ziel;schlecht;gut\nA;72,5;80,5;60,5;90,25\n", ['bands' => 'increments']);
        self::assertSame(['60.5', '150.75'], self::limits($figures, 'A'));
    }

    public function testOrdinaryColumnsAreNoBands(): void
    {
        $roles = static fn (string $csv): array => array_map(
            static fn (string $name): ?Role => (RoleGuess::of(Written::sheet($csv))->columns[$name] ?? null)?->role,
            Written::sheet($csv)->header,
        );
        self::assertNotContains(Role::Band, $roles("Month,High season,Low season\n2026-01,5,6\n"));
        self::assertNotContains(Role::Band, $roles("Item,Value,Good\nA,5,6\n"), 'one band alone says nothing');
        self::assertNotContains(Role::Band, $roles("Item,Good,Bad\nA,5,6\n"), 'bands of what?');
    }

    public function testAGoalStandsInEveryRowAndCountsOnce(): void
    {
        $figures = Written::figures(
            "Date,Contribution,Goal\n2026-01-05,300,2000\n2026-02-07,450,2000\n2026-03-01,500,2000\n",
        );
        $total = static fn (string $name): ?string => MemberTable::of(
            figures: $figures,
            measure: $figures->dataset()->maybeMeasure($name) ?? new Measure('?'),
            scenario: Scenario::Actual,
            forecast: null,
            by: null,
            where: [],
            fine: $figures->dataset()->range()->periods(Grain::Day, $figures->dataset()->calendar),
            grain: Grain::Month,
            largestFirst: false,
            from: 0,
            most: 1,
        )->total[1]?->toString();
        self::assertSame(['1250', '2000'], [$total('Contribution'), $total('Goal')]);
    }

    public function testTheLoneMeasureThatAColumnNamesIsThatOfTheOthers(): void
    {
        $names = static fn (string $csv): array => array_map(
            static fn (Measure $measure): string => $measure->name,
            Written::figures($csv)->dataset()->measures,
        );
        self::assertSame(['Net revenue'], $names("Month,Net revenue,Budget\n2026-01,5,6\n"));
        self::assertSame(['Net revenue', 'Amount'], $names("Month,Net revenue,Amount\n2026-01,5,6\n"));
    }

    public function testPercentIsExact(): void
    {
        self::assertSame(
            '26.67',
            (BandMeaning::PercentOfTarget->maybeLimits([BigDecimal::of('33.3375')], BigDecimal::of(80)) ??
                [])[0]->toString(),
        );
        self::assertNull(BandMeaning::PercentOfTarget->maybeLimits([BigDecimal::one()], null));
    }
}

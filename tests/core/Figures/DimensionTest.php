<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Filter\MemberFilter;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

final class DimensionTest extends TestCase
{
    private const PARENTS = [
        'Fares' => 'Income',
        'Freight' => 'Income',
        'Fuel' => 'Costs',
        'Crew' => 'Costs',
        'Bunker' => 'Fuel',
    ];

    private static function lines(): Breakdown
    {
        return new Breakdown(
            'Line',
            ['Fuel', 'Fares', 'Income', 'Crew', 'Freight', 'Costs', 'Bunker', 'Result'],
            self::PARENTS,
            [
                'Fares' => LineRole::Adds,
                'Freight' => LineRole::Adds,
                'Bunker' => LineRole::TakesAway,
                'Crew' => LineRole::TakesAway,
            ],
            ['Position'],
        );
    }

    public function testATreeHasEachGroupBeforeWhatStandsInIt(): void
    {
        $lines = self::lines();
        self::assertSame(['Income', 'Fares', 'Freight', 'Costs', 'Fuel', 'Bunker', 'Crew', 'Result'], $lines->asTree());
        self::assertSame(
            ['Income', 'Costs', 'Fuel', 'Crew', 'Result'],
            $lines->asTree(['Income', 'Fuel', 'unknown']),
            'what is folded leaves only its group',
        );
        self::assertSame(['Fuel', 'Income', 'Costs'], $lines->groups());
        self::assertSame(['Costs', 'Fuel', 'Crew', 'Bunker'], $lines->within('Costs'));
        self::assertSame([0, 1, 2], [$lines->depth('Costs'), $lines->depth('Fuel'), $lines->depth('Bunker')]);
        self::assertSame(
            [true, true, false], [$lines->answersTo('Line'), $lines->answersTo('Position'), $lines->answersTo('Row')],
        );
    }

    public function testAQuestionAboutCostsAloneHasLessAsBetter(): void
    {
        $dataset = Written::figures("Month,Line,Actual\n2026-01,Fuel,5\n")->dataset();
        $with = new Dataset(
            name: 'x',
            measures: $dataset->measures,
            breakdowns: [self::lines()],
            grain: $dataset->grain,
            calendar: $dataset->calendar,
            coverage: $dataset->coverage,
        );
        $better = static fn (string ...$members): Better => $with->betterOf(new Measure('Amount'), [
            new MemberFilter('Line', array_values($members)),
        ]);
        self::assertSame(
            [Better::Less, Better::Less, Better::Less], [$better('Crew'), $better('Costs'), $better('Crew', 'Bunker')],
        );
        self::assertSame(
            [Better::More, Better::More, Better::More], [$better('Fares'), $better('Fares', 'Crew'), $better('Result')],
        );
        self::assertSame(Better::Less, $with->betterOf(new Measure('Delay', better: Better::Less), []));
    }

    public function testNumbersCanBeFilteredBySize(): void
    {
        self::assertTrue((new Breakdown('Completion', ['99', '', '12.5']))->isNumeric());
        self::assertFalse((new Breakdown('Class', ['1', 'second']))->isNumeric());
        self::assertFalse((new Breakdown('Empty', ['']))->isNumeric());
    }
}

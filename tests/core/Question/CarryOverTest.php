<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Change\Ask;
use KeenMargin\Core\Question\Change\CarryOver;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\TestCase;

/** A recipe that was made on other figures. */
final class CarryOverTest extends TestCase
{
    private const CSV = "Month,Line,Amount,Budget\n2026-01,North,1,1\n2026-01,Holm,2,2\n";
    private const RECIPE = [
        'keenMargin' => 1,
        'question' => [
            'measure' => 'Net revenue',
            'by' => 'Route',
            'against' => ['BU'],
            'where' => [['field' => 'Route', 'in' => ['North', 'Outer']]],
        ],
        'kind' => 'variance-tiers',
    ];

    public function testEachNameThatIsLackingIsAskedForOnce(): void
    {
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset());
        self::assertSame(
            ['measure:Net revenue', 'breakdown:Route'],
            array_map(static fn (Ask $ask): string => $ask->id, $fitted['asks']),
        );
        self::assertSame(['Amount', 'Line'], array_map(static fn (Ask $ask): ?string => $ask->guess, $fitted['asks']));
        self::assertNull($fitted['problem']);
    }

    public function testMembersAreAskedForOnceTheirBreakdownIsKnown(): void
    {
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset(), [
            'measure:Net revenue' => 'Amount',
            'breakdown:Route' => 'Line',
        ]);
        self::assertSame(['member:Line/Outer'], array_map(static fn (Ask $ask): string => $ask->id, $fitted['asks']));
        self::assertSame('“Outer” of Line is not here.', $fitted['asks'][0]->says);
    }

    public function testAnswersArePutInTheirPlace(): void
    {
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset(), [
            'measure:Net revenue' => 'Amount',
            'breakdown:Route' => 'Line',
            'member:Line/Outer' => 'Holm',
        ]);
        self::assertSame([[], null], [$fitted['asks'], $fitted['problem']]);
        self::assertSame(
            [
                'measure' => 'Amount',
                'by' => 'Line',
                'against' => ['BU'],
                'where' => [['field' => 'Line', 'in' => ['North', 'Holm']]],
            ],
            $fitted['recipe']['question'],
        );
    }

    public function testWhatTheQuestionCanDoWithoutIsLeftOut(): void
    {
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset(), [
            'measure:Net revenue' => '',
            'breakdown:Route' => '',
        ]);
        self::assertSame([[], null], [$fitted['asks'], $fitted['problem']]);
        self::assertSame(['by' => 'month', 'against' => ['BU'], 'where' => []], $fitted['recipe']['question']);
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset(), [
            'measure:Net revenue' => 'Amount',
            'breakdown:Route' => 'Line',
            'member:Line/Outer' => '',
        ]);
        self::assertSame([['field' => 'Line', 'in' => ['North']]], ((array) $fitted['recipe']['question'])['where']);
    }

    public function testAnAnswerThatIsNoneIsAskedAgain(): void
    {
        $fitted = CarryOver::of(self::RECIPE, ChartKinds::all(), Written::figures(self::CSV)->dataset(), [
            'measure:Net revenue' => 'Nothing of the kind',
        ]);
        self::assertSame('measure:Net revenue', $fitted['asks'][0]->id);
    }

    public function testWhatFitsIsNotAsked(): void
    {
        $recipe = [
            'keenMargin' => 1,
            'question' => ['measure' => 'Amount', 'by' => 'Line'],
            'kind' => 'variance-tiers',
        ];
        self::assertSame(
            ['recipe' => $recipe, 'asks' => [], 'problem' => null],
            CarryOver::of($recipe, ChartKinds::all(), Written::figures(self::CSV)->dataset()),
        );
    }

    public function testWhatCannotBeDrawnInTheEndSaysWhy(): void
    {
        $recipe = ['keenMargin' => 1, 'question' => ['scenario' => 'TG'], 'kind' => 'variance-tiers'];
        self::assertStringContainsString(
            'There are no target figures',
            (string) CarryOver::of($recipe, ChartKinds::all(), Written::figures(self::CSV)->dataset())['problem'],
        );
    }
}

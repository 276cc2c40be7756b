<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

/** Ratios and averages over members, whose two sides do not have the same cells. */
final class LikeForLikeExamples
{
    /** Three members of a rating that is averaged: two have budget and actual, and rose by 10; Cid is new. */
    private const RATING =
        'Month,Route,Scenario,Rating 2026-01,Ann,BU,50 2026-01,Ann,AC,60 2026-01,Bob,BU,60 2026-01,Bob,AC,70'.
        ' 2026-01,Cid,AC,100';
    /** A margin of profit by revenue; Cid has no budget. */
    private const MARGIN =
        'Month,Route,Scenario,Profit,Revenue 2026-01,Ann,BU,10,100 2026-01,Ann,AC,20,100 2026-01,Bob,BU,30,300'.
        ' 2026-01,Bob,AC,60,300 2026-01,Cid,AC,90,100';
    private const AVERAGED = ['measures' => ['Rating' => ['overMembers' => 'average', 'unit' => '%']]];
    private const RATIO = [
        'measures' => ['Margin' => ['grouping' => 'ratio', 'numerator' => 'Profit', 'denominator' => 'Revenue']],
    ];

    /** @return iterable<string, array{Example}> */
    public static function all(): iterable
    {
        yield 'members with +10 and +10 rose by 10 together, whoever is new' => [new Example(
            self::RATING,
            ['by' => 'Route', 'against' => ['BU']],
            ['Ann: AC 60, BU 50; BU 10', 'Bob: AC 70, BU 60; BU 10', 'Cid: AC 100, BU –; BU –'],
            mapping: self::AVERAGED,
        )];
        yield 'the same by month says whom it leaves out' => [new Example(
            self::RATING,
            ['by' => 'month', 'against' => ['BU']],
            [
                '2026-01: AC 76.666667, BU 55; BU 10', '= total 76.666667; BU 10',
                '- Cid has figures of one side only, not compared with budget',
                '"Rating in Jan 2026: 76.7 %, 10.0 pp above budget where both have figures."',
            ],
            mapping: self::AVERAGED,
        )];
        yield 'a ratio by month' => [new Example(
            self::MARGIN,
            ['measure' => 'Margin', 'by' => 'month', 'against' => ['BU']],
            [
                '2026-01: AC 34.000000, BU 10.000000; BU 10.000000', '= total 34.000000; BU 10.000000',
                '- Cid has figures of one side only, not compared with budget',
                '"Margin in Jan 2026: 34.0 %, 10.0 pp above budget where both have figures."',
            ],
            mapping: self::RATIO,
        )];
        yield 'a bridge has one step for what only one side has' => [new Example(
            self::MARGIN,
            ['measure' => 'Margin', 'by' => 'Route', 'bridge' => ['from' => 'BU', 'to' => 'AC']],
            [
                'Ann: first 10.000000, second 20.000000; change 2.500000; first 2.500000',
                'Bob: first 10.000000, second 20.000000; change 7.500000; first 7.500000',
                'one-sided: ; change 14.000000; first 14.000000',
                'end: first 10.000000, second 34.000000; change –; first 24.000000',
                '- Figures that only one side has are not compared; what they move is one step',
                '"Most for it: Only one side (+14.0, 58.3 % of what went for it)."',
            ],
            'bridge',
            self::RATIO,
        )];
    }
}

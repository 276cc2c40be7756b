<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Number;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Number\Decimals;
use KeenMargin\Core\Number\Spread;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\Table\SpreadOfRow;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SpreadTest extends TestCase
{
    /** @param list<string> $expected */
    #[TestWith(['100', 3, 0, ['33', '34', '33']])]
    #[TestWith(['100', 3, 2, ['33.33', '33.34', '33.33']])]
    #[TestWith(['1200', 12, 0, ['100', '100', '100', '100', '100', '100', '100', '100', '100', '100', '100', '100']])]
    #[TestWith(['-1', 4, 0, ['0', '-1', '0', '0']])]
    #[TestWith(['0.5', 2, 0, ['0.3', '0.2']])]
    public function testEvenly(string $amount, int $count, int $decimals, array $expected): void
    {
        \assert($count > 0 && $decimals >= 0);
        self::assertSame($expected, array_map(strval(...), Spread::evenly(BigDecimal::of($amount), $count, $decimals)));
    }

    public function testPartsAddUpToTheLastDigitAndNoneIsOffByMore(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 400; ++$round) {
            $amount = BigDecimal::ofUnscaledValue(mt_rand(-1_000_000, 1_000_000), mt_rand(0, 3));
            $decimals = mt_rand(0, 3);
            $weights = array_map(
                static fn (): ?BigDecimal => 0 === mt_rand(0, 5) ? null : BigDecimal::of(mt_rand(0, 900)),
                range(1, mt_rand(1, 24)),
            );
            $weights[] = BigDecimal::one();
            $parts = Spread::by($amount, $weights, $decimals);
            self::assertTrue(Decimals::sum($parts)->isEqualTo($amount), "round $round");
            $all = Decimals::sum(
                array_map(static fn (?BigDecimal $weight): BigDecimal => $weight ?? BigDecimal::zero(), $weights),
            );
            foreach ($parts as $i => $part) {
                $exact = $amount->toBigRational()->multipliedBy($weights[$i] ?? 0)->dividedBy($all);
                self::assertTrue(
                    $part
                        ->toBigRational()
                        ->minus($exact)
                        ->abs()
                        ->isLessThanOrEqualTo(BigDecimal::ofUnscaledValue(1, max($decimals, $amount->getScale()))),
                    "round $round, part $i",
                );
            }
        }
    }

    public function testInTheProportionsOfThePriorYear(): void
    {
        $figures = Written::figures(
            "Month,Route,Actual\n2025-10,North,20\n2025-11,North,10\n2025-12,North,10\n2025-10,Holm,1\n".
                "2026-01,North,5\n",
        );
        $of = static fn (string $route, string $first, bool $asPriorYear = true): array => array_map(
            strval(...),
            SpreadOfRow::of(
                figures: $figures,
                measure: $figures->dataset()->measures[0],
                where: ['Route' => $route],
                periods: [Period::of("$first-10"), Period::of("$first-11"), Period::of("$first-12")],
                amount: BigDecimal::of(1000),
                asPriorYear: $asPriorYear,
            ),
        );
        self::assertSame(['500', '250', '250'], $of('North', '2026'));
        self::assertSame(['1000', '0', '0'], $of('Holm', '2026'));
        self::assertSame(['333', '334', '333'], $of('North', '2028', false));
        $this->expectExceptionMessage('There are no figures of the prior year to spread by. Spread it evenly.');
        $of('North', '2028');
    }

    public function testABalanceIsNotSpread(): void
    {
        $figures = Written::figures("Month,Balance\n2026-01,5\n", [
            'measures' => ['Balance' => ['grouping' => 'last']],
        ]);
        $this->expectException(NotAccepted::class);
        SpreadOfRow::of(
            figures: $figures,
            measure: $figures->dataset()->maybeMeasure('Balance') ?? new Measure('?'),
            where: [],
            periods: [Period::of('2026-01')],
            amount: BigDecimal::of(1),
            asPriorYear: false,
        );
    }
}

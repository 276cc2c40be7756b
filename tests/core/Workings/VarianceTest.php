<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Question\Part\Flag;
use KeenMargin\Core\Workings\Arithmetic\Effect;
use KeenMargin\Core\Workings\Arithmetic\Variance;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class VarianceTest extends TestCase
{
    #[TestWith(['302', '310', Better::More, '-8', '-2.58', Effect::Unfavourable])]
    #[TestWith(['302', '310', Better::Less, '-8', '-2.58', Effect::Favourable])]
    #[TestWith(['5', '0', Better::More, '5', null, Effect::Favourable])]
    #[TestWith(['5', '-20', Better::More, '25', '125.00', Effect::Favourable])]
    #[TestWith(['-30', '-20', Better::More, '-10', '-50.00', Effect::Unfavourable])]
    #[TestWith(['7', '7', Better::Less, '0', '0.00', Effect::Neutral])]
    #[TestWith(['0', '0', Better::More, '0', null, Effect::Neutral])]
    public function testShownMinusReference(
        string $shown,
        string $reference,
        Better $better,
        string $amount,
        ?string $percent,
        Effect $effect,
    ): void {
        $variance = Variance::maybe(BigDecimal::of($shown), BigDecimal::of($reference), $better);
        self::assertSame(
            [$amount, $percent, $effect],
            [$variance?->amount->toString(), $variance?->percent(2)?->toString(), $variance?->effect],
        );
    }

    public function testAMissingSideGivesNoVariance(): void
    {
        self::assertNull(Variance::maybe(null, BigDecimal::of(10), Better::More));
        self::assertNull(Variance::maybe(BigDecimal::of(10), null, Better::More));
    }

    #[TestWith(['105', '100', '5', null, true])]
    #[TestWith(['104.99', '100', '5', null, false])]
    #[TestWith(['95', '100', '5', null, true])]
    #[TestWith(['105', '100', '5', '6', false])]
    #[TestWith(['106', '100', '5', '6', true])]
    #[TestWith(['106', '0', '5', '6', false])]
    #[TestWith(['106', '0', null, '6', true])]
    #[TestWith(['106', '100', null, null, false])]
    public function testFlaggedWhereEveryThresholdThatIsSetIsReached(
        string $shown,
        string $reference,
        ?string $percent,
        ?string $amount,
        bool $flagged,
    ): void {
        $flag = new Flag(
            null === $percent ? null : BigDecimal::of($percent),
            null === $amount ? null : BigDecimal::of($amount),
        );
        self::assertSame(
            $flagged,
            Variance::maybe(BigDecimal::of($shown), BigDecimal::of($reference), Better::More, $flag)?->flagged,
        );
    }

    public function testPercentagesAreComparedInPointsAndHaveNoPercentage(): void
    {
        $variance = Variance::maybe(
            BigDecimal::of('91'), BigDecimal::of('94'), Better::More, new Flag(BigDecimal::of(3)), true,
        );
        self::assertSame(
            ['-3', null, true], [$variance?->amount->toString(), $variance?->percent(), $variance?->flagged],
        );
    }
}

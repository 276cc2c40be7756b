<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Tests\core\Written;

/** Questions about random sparse figures, and what kinds answer to them. */
trait RandomQuestions
{
    private const SEEDS = 420;
    private const DEEP = 6_000;
    /** Fractions are rounded to six decimals. */
    private const ROUNDING = '0.000002';

    /** @return \Generator<string, array{RandomLedger, Asked}> about what is added up, or about ratios */
    private static function questions(bool $areRatios = false): \Generator
    {
        $last = '1' === getenv('KEEN_DEEP') ? self::DEEP : self::SEEDS;
        // Few of them are about ratios.
        $last *= $areRatios ? 3 : 1;
        for ($seed = 1; $seed <= $last; ++$seed) {
            $ledger = new RandomLedger($seed);
            foreach ('comparison' === $ledger->family() ? [1, 2, 3] : [] as $number) {
                $plain = $ledger->question($number)->with([
                    'each' => null,
                    'top' => null,
                    'order' => 'given',
                    'cumulate' => null,
                ]);
                $plain = $plain->with(['against' => \array_slice($plain->against, 0, 1)]);
                $isRatio = 'ratio' === $ledger->measures[$plain->measure]->grouping;
                if ($isRatio === $areRatios) {
                    yield "seed $seed, question $number: {$ledger->recipe($plain)}" => [$ledger, $plain];
                }
            }
        }
    }

    /** @param array<string, mixed> $more of the question */
    private static function maybe(RandomLedger $ledger, Asked $asked, array $more, string $kind): ?Workings
    {
        $figures = self::figures($ledger);
        $question = [...$asked->recipe($ledger->calendar), ...$more];
        $recipe = ['keenMargin' => 1, 'kind' => $kind, 'question' => (object) $question];
        $calendar = new FiscalCalendar($ledger->calendar->firstMonth);
        try {
            $read = RecipeReader::json(json_encode($recipe, \JSON_THROW_ON_ERROR), ChartKinds::all(), $calendar);

            return Drawing::workings($read, $figures, ChartKinds::all());
        } catch (NotAccepted) {
            return null;
        }
    }

    private static function figures(RandomLedger $ledger): FactTable
    {
        static $known = [null, null];
        if ($known[0] !== $ledger) {
            $figures = Written::figures($ledger->csv, $ledger->mapping);
            $roles = array_map(LineRole::from(...), $ledger->roles);
            $isPlain = [] === $ledger->groups && [] === $roles;
            $known = [$ledger, $isPlain ? $figures : Written::grouped($figures, 'Route', $ledger->groups, $roles)];
        }

        return $known[1] instanceof FactTable ? $known[1] : throw new \LogicException();
    }

    /** Equal, or as near as rounding leaves it: six decimals of a fraction. */
    private static function assertClose(
        BigRational $expected,
        ?BigDecimal $told,
        string $case,
        string $rounding = self::ROUNDING,
    ): void {
        $apart = $expected->minus(self::rational($told))->abs();
        self::assertTrue($apart->isLessThanOrEqualTo(BigRational::of($rounding)), "$case: $expected, not $told");
    }

    private static function rational(?BigDecimal $number): BigRational
    {
        return BigRational::of($number ?? BigDecimal::zero());
    }
}

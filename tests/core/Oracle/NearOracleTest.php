<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Workings\Near\GoalNumbers;
use KeenMargin\Core\Workings\Near\TargetedRows;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\RowRole;
use PHPUnit\Framework\TestCase;

/**
 * Bullets, progress lists and tables held against the oracle over random sparse figures: values and variances are those
 * that the oracle reckons, and bands, percentages and shares follow from them.
 */
final class NearOracleTest extends TestCase
{
    use RandomQuestions;

    private const LIMITS = ['-50', '0', '120', '4000'];

    public function testValuesStandBesideTheirTargetsInOneBandEach(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $reference = $asked->against[0] ?? null;
            if (null === $reference) {
                continue;
            }
            $more = [
                'target' => ['scenario' => $reference],
                'bands' => ['limits' => self::LIMITS, 'names' => ['a', 'b', 'c', 'd', 'e']],
            ];
            $workings = self::maybe($ledger, $asked, $more, 'bullet');
            if (null === $workings) {
                continue;
            }
            $rows = $workings->table->rowsByKey();
            $isLess = 'less' === $workings->context->better->value;
            foreach ($ledger->reckoning($asked->with(['against' => [$reference]]))->workings()->rows as $expected) {
                $pair = $expected->numbers->variances[$reference] ?? null;
                $row = $rows[$expected->key] ?? null;
                if ('row' !== $expected->role || null === $pair) {
                    continue;
                }
                self::assertNotNull($row, $case);
                $told = $row->variances[TargetedRows::TARGET] ?? null;
                self::assertClose($pair->difference, $told?->amount, "$case: {$row->key->id}");
                self::assertClose($pair->reference, $row->values[TargetedRows::TARGET] ?? null, $case);
                if (null !== $row->shown) {
                    self::assertSame(self::band($row->shown, $isLess), $row->band(), "$case: {$row->shown}");
                    ++$held;
                }
            }
        }
        self::assertGreaterThan(200, $held);
    }

    /** What one member has to reach says nothing of several together; sentences count all members. */
    public function testGatheredRowsHaveAValueAndNoTarget(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $plain = $asked->with(['against' => [], 'forecast' => null]);
            if ('Route' !== $plain->by || [] !== $ledger->roles || [] !== $ledger->groups) {
                continue;
            }
            $isAdded = $ledger->measures[$plain->measure]->isAdded();
            $workings = self::maybe($ledger, $plain, ['target' => '120', 'top' => 2], 'bullet');
            $others = array_filter(
                $workings->table->rows ?? [],
                static fn (Row $row): bool => RowRole::Other === $row->role,
            );
            $other = reset($others);
            if (null === $workings || false === $other || !$isAdded) {
                continue;
            }
            $isLess = 'less' === $workings->context->better->value;
            $told = $workings->table->rowsByKey();
            $rest = BigRational::zero();
            $reaching = $all = 0;
            foreach ($ledger->reckoning($plain)->workings()->rows as $expected) {
                $shown = $expected->numbers->shown;
                if ('row' !== $expected->role || null === $shown) {
                    continue;
                }
                isset($told[$expected->key]) || ($rest = $rest->plus($shown));
                ++$all;
                $reaching += ($isLess ? $shown->isLessThanOrEqualTo(120) : $shown->isGreaterThanOrEqualTo(120)) ? 1 : 0;
            }
            self::assertClose($rest, $other->shown, "$case: gathered");
            self::assertNull($other->values[TargetedRows::TARGET] ?? null, $case);
            self::assertNull($other->variances[TargetedRows::TARGET] ?? null, $case);
            $says = implode(' ', $workings->summary->texts());
            $all < 2 || self::assertStringContainsString("$reaching of $all reach their target.", $says, $case);
            ++$held;
        }
        self::assertGreaterThan(20, $held);
    }

    /** Reckoned from the limits alone. */
    private static function band(BigDecimal $value, bool $isLess): string
    {
        $place = 0;
        foreach (self::LIMITS as $limit) {
            $isAbove = $isLess ? $value->isGreaterThan($limit) : $value->isGreaterThanOrEqualTo($limit);
            $place += $isAbove ? 1 : 0;
        }

        return ['a', 'b', 'c', 'd', 'e'][$place];
    }

    public function testSharesAndProgressAreOfTheOraclesAmounts(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $plain = $asked->with(['against' => []]);
            $workings = self::maybe(
                $ledger, $plain, ['goal' => '1000', 'pace' => 'none', 'forecast' => null], 'progress',
            );
            if (null === $workings || null !== $asked->forecast || ('Route' === $plain->by && [] !== $ledger->roles)) {
                continue;
            }
            $rows = $workings->table->rowsByKey();
            foreach ($ledger->reckoning($plain)->workings()->rows as $expected) {
                $shown = $expected->numbers->shown;
                if ('row' !== $expected->role || null === $shown) {
                    continue;
                }
                $row = $rows[$expected->key] ?? null;
                self::assertNotNull($row, $case);
                self::assertClose($shown, $row->shown, $case);
                self::assertClose(
                    $shown->dividedBy(10),
                    $row->values[GoalNumbers::PERCENT] ?? null,
                    "$case: {$row->key->id}",
                    '0.0001',
                );
                $remaining = BigRational::of(1000)->minus($shown);
                $isLeft = $remaining->isGreaterThan(0);
                $nothing = BigRational::zero();
                self::assertClose($isLeft ? $remaining : $nothing, $row->values[GoalNumbers::REMAINING] ?? null, $case);
                self::assertClose(
                    $isLeft ? $nothing : $remaining->negated(),
                    $row->values[GoalNumbers::OVER] ?? null,
                    $case,
                );
                ++$held;
            }
        }
        self::assertGreaterThan(200, $held);
    }

    public function testATableHasTheSameNumbersInWhateverOrder(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $reference = $asked->against[0] ?? null;
            if (null === $reference) {
                continue;
            }
            $delta = "\u{0394}$reference";
            $columns = ['columns' => [$asked->scenario, $reference, $delta, "$delta %", 'share']];
            $plain = self::maybe($ledger, $asked, $columns, 'comparison-table');
            $sorted = self::maybe($ledger, $asked, [...$columns, 'sort' => $delta], 'comparison-table');
            if (null === $plain || null === $sorted) {
                continue;
            }
            $told = static fn (Row $row): array => [
                (string) $row->shown,
                (string) ($row->values[$reference] ?? ''),
                (string) ($row->variances[$reference]->amount ?? ''),
            ];
            $of = array_map($told, $plain->table->rowsByKey());
            $again = array_map($told, $sorted->table->rowsByKey());
            ksort($of);
            ksort($again);
            self::assertSame($of, $again, $case);
            foreach ($ledger->reckoning($asked)->workings()->rows as $expected) {
                $pair = $expected->numbers->variances[$reference] ?? null;
                $row = $plain->table->rowsByKey()[$expected->key] ?? null;
                if ('row' === $expected->role && null !== $pair && null !== $row) {
                    self::assertClose($pair->difference, $row->variances[$reference]->amount ?? null, $case);
                    ++$held;
                }
            }
        }
        self::assertGreaterThan(200, $held);
    }
}

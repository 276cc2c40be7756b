<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use PHPUnit\Framework\TestCase;

/**
 * Bridges and build-ups held against the oracle over random sparse figures: steps are the variances, or the amounts,
 * that the oracle reckons row by row, and totals its totals. Order, gathering and opening change no sum.
 */
final class WaterfallOracleTest extends TestCase
{
    use RandomQuestions;

    public function testStepsAreTheOraclesVariances(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $reference = $asked->against[0] ?? null;
            if (null === $reference) {
                continue;
            }
            $bridge = ['bridge' => ['from' => $reference, 'to' => $asked->scenario]];
            $workings = self::maybe($ledger, $asked, $bridge, 'bridge');
            if (null === $workings) {
                continue;
            }
            $expected = $ledger->reckoning($asked->with(['against' => [$reference]]))->workings();
            $steps = self::steps($workings);
            $areLines = 'Route' === $asked->by && [] !== $ledger->roles;
            foreach ($expected->rows as $row) {
                $pair = $row->numbers->variances[$reference] ?? null;
                if ('row' !== $row->role || null === $pair) {
                    continue;
                }
                self::assertArrayHasKey($row->key, $steps, $case);
                self::assertClose(
                    $areLines ? $pair->difference->abs() : $pair->difference,
                    $areLines ? $steps[$row->key]->values['change']?->abs() : $steps[$row->key]->values['change'],
                    "$case: {$row->key}",
                );
                ++$held;
            }
            $total = $expected->total?->variances[$reference] ?? null;
            if (null !== $total && [] !== $workings->table->rows && !$areLines) {
                $ends = [$workings->table->rows[0], $workings->table->rows[\count($workings->table->rows) - 1]];
                self::assertClose($total->reference, $ends[0]->values['to'] ?? null, $case);
                self::assertClose($total->shown, $ends[1]->values['to'] ?? null, $case);
            }
        }
        self::assertGreaterThan(200, $held);
    }

    public function testABuildUpIsOfTheOraclesAmounts(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $plain = $asked->with(['against' => []]);
            $workings = self::maybe($ledger, $plain, [], 'build-up');
            if (null === $workings || ('Route' === $plain->by && [] !== $ledger->roles)) {
                continue;
            }
            $expected = $ledger->reckoning($plain)->workings();
            $steps = self::steps($workings);
            foreach ($expected->rows as $row) {
                if ('row' === $row->role && null !== $row->numbers->shown) {
                    self::assertClose(
                        $row->numbers->shown,
                        ($steps[$row->key] ?? null)?->values['change'],
                        "$case: {$row->key}",
                    );
                    ++$held;
                }
            }
            $end = $workings->table->rows[\count($workings->table->rows) - 1] ?? null;
            if (null !== $expected->total?->shown && null !== $end) {
                self::assertClose($expected->total->shown, $end->values['to'] ?? null, $case);
            }
        }
        self::assertGreaterThan(200, $held);
    }

    public function testOrderGatheringAndOpeningChangeNoSum(): void
    {
        $held = 0;
        foreach (self::questions() as $case => [$ledger, $asked]) {
            $reference = $asked->against[0] ?? null;
            if (null === $reference || !\in_array($asked->by, ['Route', 'Class'], true)) {
                continue;
            }
            $bridge = ['bridge' => ['from' => $reference, 'to' => $asked->scenario]];
            $plain = self::maybe($ledger, $asked, $bridge, 'bridge');
            if (null === $plain || [] === self::steps($plain)) {
                continue;
            }
            $first = array_values(self::steps($plain))[0]->key->toJson();
            $other = 'Route' === $asked->by ? 'Class' : 'Route';
            foreach (
                [
                    ['order' => 'largest first'],
                    ['order' => 'favourable first'],
                    ['top' => 1],
                    ['opened' => [['step' => $first, 'by' => $other]]],
                    ['subtotals' => [array_key_first(self::steps($plain))]],
                ] as $change
            ) {
                $changed = self::maybe($ledger, $asked, [...$bridge, ...$change], 'bridge');
                self::assertNotNull($changed, $case);
                self::assertSame(self::ends($plain), self::ends($changed), $case.json_encode($change));
                $sum = array_reduce(
                    self::steps($changed),
                    static fn (BigDecimal $sum, Row $row): BigDecimal => $sum->plus($row->values['change'] ?? 0),
                    BigDecimal::zero(),
                );
                [$start, $end] = self::ends($changed);
                self::assertTrue(BigDecimal::of($start)->plus($sum)->isEqualTo($end), $case);
                self::assertSame([], self::failing($changed), $case.json_encode($change));
                ++$held;
            }
        }
        self::assertGreaterThan(100, $held);
    }

    public function testARatioMovesByItsMembers(): void
    {
        $held = 0;
        foreach (self::questions(true) as $case => [$ledger, $asked]) {
            $reference = $asked->against[0] ?? null;
            if (null === $reference || !\in_array($asked->by, ['Route', 'Class'], true)) {
                continue;
            }
            $bridge = ['bridge' => ['from' => $reference, 'to' => $asked->scenario]];
            $workings = self::maybe($ledger, $asked, $bridge, 'bridge');
            if (null === $workings || [] === $workings->table->rows) {
                continue;
            }
            $total = $ledger->reckoning($asked)->workings()->total?->variances[$reference] ?? null;
            $like = BigRational::zero();
            foreach (self::steps($workings) as $row) {
                if ('one-sided' === $row->role->value) {
                    continue;
                }
                $like = $like->plus(self::rational($row->values['change'] ?? null));
                $moved = self::rational($row->variances['first']->amount ?? null);
                $drawn = self::rational($row->values['change'] ?? null);
                self::assertTrue(
                    $moved->minus($drawn)->abs()->isLessThanOrEqualTo(BigRational::of(self::ROUNDING)),
                    "$case: {$row->label}",
                );
                ++$held;
            }
            self::assertSame([], self::failing($workings), $case);
            if (null !== $total) {
                $apart = $like->minus($total->difference)->abs();
                self::assertTrue($apart->isLessThanOrEqualTo(BigRational::of('0.00002')), "$case: like for like");
                ++$held;
            }
        }
        self::assertGreaterThan(10, $held);
    }

    /** @return array<string, Row> that change the running total, by the ids of their keys */
    private static function steps(Workings $workings): array
    {
        return array_filter(
            $workings->table->rowsByKey(),
            static fn (Row $row): bool => !$row->role->isWhole() && null === $row->parent,
        );
    }

    /** @return array{string, string} start and end */
    private static function ends(Workings $workings): array
    {
        $rows = $workings->table->rows;

        return [(string) ($rows[0]->values['to'] ?? ''), (string) ($rows[\count($rows) - 1]->values['to'] ?? '')];
    }

    /** @return list<string> of the checks that sums must pass */
    private static function failing(Workings $workings): array
    {
        $failing = [];
        foreach ($workings->checks as $check) {
            if (!$check->holds && \in_array($check->id, ['steps-sum', 'opened-steps-sum', 'unexplained'], true)) {
                $failing[] = $check->says;
            }
        }

        return $failing;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Result\LinkedText;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Workings;
use PHPUnit\Framework\TestCase;

/** What must hold of all workings, whatever the figures and the question. */
final class PropertiesTest extends TestCase
{
    private const SEEDS = 260;
    private const DEEP = 6_000;

    /** @return \Generator<string, array{RandomLedger, Program, Asked, Workings}> */
    private static function cases(): \Generator
    {
        $last = '1' === getenv('KEEN_DEEP') ? self::DEEP : self::SEEDS;
        // Others than the oracle is held against.
        for ($seed = 500_001; $seed <= 500_000 + $last; ++$seed) {
            $ledger = new RandomLedger($seed);
            $program = new Program($ledger);
            foreach ([1, 2] as $number) {
                $asked = $ledger->question($number);
                $workings = $program->maybeWorkings($asked);
                if (null !== $workings) {
                    yield "seed $seed, question $number: {$ledger->recipe($asked)}" => [
                        $ledger, $program, $asked, $workings,
                    ];
                }
            }
        }
    }

    public function testRowsAddUpToTheTotalOfTheirChart(): void
    {
        $held = 0;
        foreach (self::cases() as $case => [$ledger, $program, $asked, $workings]) {
            if (!self::areAdded($ledger, $asked, $workings)) {
                continue;
            }
            self::assertSums(self::parts($workings->table->rows), $workings->table->total, "$case: over all");
            foreach (null === $asked->each ? [] : $workings->table->panels() as $rows) {
                $panel = $rows[0]->key->panel ?? null;
                if (null === $panel || $panel->isOthers()) {
                    continue;
                }
                $filter = ['field' => (string) $asked->each, 'members' => [(string) $panel->member], 'keeps' => true];
                $alone = $program->maybeWorkings(
                    $asked->with(['each' => null, 'where' => [...$asked->where, $filter]]),
                );
                self::assertNotNull($alone, $case);
                self::assertSums(self::parts($rows), $alone->table->total, "$case: {$panel->id}");
                ++$held;
            }
            ++$held;
        }
        self::assertGreaterThan(100, $held);
    }

    public function testMembersTogetherAreThePeriodsTogether(): void
    {
        $held = 0;
        foreach (self::cases() as $case => [$ledger, $program, $asked, $workings]) {
            $plain = ['each' => null, 'top' => null, 'order' => 'given', 'cumulate' => null];
            $members = $program->maybeWorkings($asked->with(['by' => 'Route'] + $plain));
            $periods = $program->maybeWorkings($asked->with(['by' => 'year'] + $plain));
            if (null === $members || null === $periods || 'capacity' === $ledger->family()) {
                continue;
            }
            // Lines that add and lines that take away have no total over members.
            if (null !== $members->table->total->shown && null !== $periods->table->total->shown) {
                self::assertSame(self::told($periods->table->total), self::told($members->table->total), $case);
                ++$held;
            }
        }
        self::assertGreaterThan(100, $held);
    }

    public function testChecksThatHoldAreTrue(): void
    {
        $held = [];
        foreach (self::cases() as $case => [$ledger, $program, $asked, $workings]) {
            $proof = new CheckProof($ledger, $asked, $workings, $program->oracle($asked));
            foreach ($workings->checks as $check) {
                if ($check->holds) {
                    self::assertSame('', $proof->against($check), "$case: {$check->says}");
                    $held[$check->id] = ($held[$check->id] ?? 0) + 1;
                }
            }
        }
        foreach (
            [
                'rows-sum-to-total', 'none-missing', 'absent-bu-shown', 'absent-bu-reference', 'parts-make-total',
                'within-capacity', 'prior-year-derived', 'total-rule',
            ] as $id
        ) {
            self::assertGreaterThan(2, $held[$id] ?? 0, $id);
        }
    }

    public function testNumbersInSentencesAreThoseOfTheWorkings(): void
    {
        $numbers = 0;
        foreach (self::cases() as $case => [, , , $workings]) {
            $all = $workings->table->rowsByKey() + $workings->table->sums();
            foreach ($workings->summary->sentences as $statement) {
                $apart = implode('', array_filter($statement->parts, is_string(...)));
                foreach ($statement->numbers() as $said) {
                    $told = self::column($said, $workings, $all[$said->row->id] ?? null);
                    self::assertContains(
                        $said->text, [$told, NumberFormat::unsigned($told)], "$case: {$statement->text()}",
                    );
                    ++$numbers;
                }
                self::assertDoesNotMatchRegularExpression(
                    '/\d+\.\d|\d %/', $apart, "$case: a number that points nowhere in {$statement->text()}",
                );
            }
        }
        self::assertGreaterThan(500, $numbers);
    }

    public function testASentenceIsAboutTheSpanThatItNames(): void
    {
        $held = 0;
        foreach (self::cases() as $case => [$ledger, $program, $asked, $workings]) {
            $statement = $workings->summary->sentences[0] ?? null;
            $number = null === $statement ? null : $statement->numbers()[0] ?? null;
            if ('comparison' !== $ledger->family() || null === $statement || null === $number) {
                continue;
            }
            $spoken = $program->oracle($asked)->spokenSpan('toDate' === $number->row->id);
            self::assertStringContainsString(" in $spoken: ", $statement->text(), $case);
            ++$held;
        }
        self::assertGreaterThan(100, $held);
    }

    private static function areAdded(RandomLedger $ledger, Asked $asked, Workings $workings): bool
    {
        $rule = $ledger->measures[$asked->measure];
        $isOverPeriods = !isset($ledger->breakdowns[$asked->by]);

        return 'capacity' !== $ledger->family()
            && null === $asked->cumulate
            && $rule->isAdded()
            && !self::isNet($workings)
            && (!$isOverPeriods || 'sum' === $rule->grouping)
            && null !== $workings->table->total->shown;
    }

    /** Whether the total is the result of lines that add and take away. */
    private static function isNet(Workings $workings): bool
    {
        $ids = array_map(static fn (Check $check): string => $check->id, $workings->checks);

        return \in_array('lines-net-to-result', $ids, true);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    private static function parts(array $rows): array
    {
        return array_values(array_filter($rows, static fn (Row $row): bool => $row->role->isPart()));
    }

    /** @param list<Row> $parts */
    private static function assertSums(array $parts, Total $total, string $case): void
    {
        $shown = self::sum(
            array_map(static fn (Row $row): BigDecimal|Fraction|null => $row->exact ?? $row->shown, $parts),
        );
        self::assertTrue($shown->isEqualTo(self::rational($total->exact ?? $total->shown)), "$case, amounts");
        foreach ($total->variances as $reference => $variance) {
            $of = self::sum(array_map(
                static fn (Row $row): BigDecimal|Fraction|null => ($row->variances[$reference] ?? null)?->exact,
                $parts,
            ));
            self::assertTrue($of->isEqualTo(self::rational($variance?->exact)), "$case, variances against $reference");
        }
    }

    /** @param list<BigDecimal|Fraction|null> $numbers */
    private static function sum(array $numbers): BigRational
    {
        $add = static fn (BigRational $sum, BigDecimal|Fraction|null $next): BigRational => $sum->plus(
            self::rational($next),
        );

        return array_reduce($numbers, $add, BigRational::zero());
    }

    private static function rational(BigDecimal|Fraction|null $number): BigRational
    {
        return $number instanceof Fraction
            ? $number->numerator->toBigRational()->dividedBy($number->denominator)
            : ($number ?? BigDecimal::zero())->toBigRational();
    }

    /** @return array<string, ?string> */
    private static function told(Total $total): array
    {
        $told = ['shown' => $total->shown?->strippedOfTrailingZeros()->toString()];
        foreach ($total->variances as $reference => $variance) {
            $told[$reference] = $variance?->amount->strippedOfTrailingZeros()->toString();
        }

        return $told;
    }

    private static function column(LinkedText $said, Workings $workings, Row|Total|null $of): string
    {
        self::assertNotNull($of, "There is no row {$said->row->id}.");
        foreach ($workings->table->columns as $column) {
            if ($column->id() === $said->column) {
                return $workings->told($column, $of);
            }
        }
        self::fail("There is no column {$said->column}.");
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** What the program's workings have otherwise than the oracle's: empty where they are the same to the last digit. */
final readonly class Difference
{
    private Rule $rule;
    private bool $isRatio;
    /** @var non-negative-int decimals that fractions are written with */
    private int $decimals;

    public function __construct(private RandomLedger $ledger, private Asked $asked)
    {
        $this->rule = $ledger->measures[$asked->measure];
        $this->isRatio = 'ratio' === $this->rule->grouping;
        $own = array_filter(
            $ledger->facts->rows,
            static fn (Fact $row): bool => [] !== $asked->parts || $row->measure === $asked->measure,
        );
        $most = max([
            0,
            ...array_map(
                static fn (Fact $row): int => \strlen(explode('.', $row->amount)[1] ?? ''),
                array_values($own),
            ),
        ]);
        $this->decimals = $this->isRatio ? 6 : 6 + $most;
    }

    /** @param string $workings as the program prints them */
    public function between(Expected $expected, string $workings): string
    {
        $written = JsonValue::of($workings);
        $rows = $written->must('rows')->list();
        $keys = array_map(static fn (ExpectedRow $row): string => $row->key, $expected->rows);
        $are = array_map(static fn (JsonValue $row): string => $row->must('key')->string(), $rows);
        if ($keys !== $are) {
            return 'rows are '.implode(' ', $are).', not '.implode(' ', $keys);
        }
        foreach ($expected->rows as $i => $row) {
            $difference = $this->ofRow($row, $rows[$i]);
            if ('' !== $difference) {
                return "$row->key: $difference";
            }
        }
        $sums = ['total' => $expected->total, 'toDate' => $expected->toDate, 'landing' => $expected->landing];
        foreach ($sums as $name => $sum) {
            $difference = $this->ofSum($sum, $written->maybe($name));
            if ('' !== $difference) {
                return "$name: $difference";
            }
        }

        return '';
    }

    private function ofRow(ExpectedRow $row, JsonValue $written): string
    {
        $isComparison = 'comparison' === $this->ledger->family();
        $values = $isComparison ? $written->must('values') : $written;
        foreach ($row->numbers->values as $of => $value) {
            $difference = $this->ofNumber(
                $of,
                $value,
                $values->maybe($of),
                \in_array($of, ['rate', 'rateTarget'], true) ? 6 : $this->decimals,
            );
            if ('' !== $difference) {
                return $difference;
            }
        }
        $shown = $isComparison
            ? $this->ofNumber('shown', $row->numbers->shown, $written->maybe('shown'), $this->decimals)
            : '';
        if ('' !== $shown) {
            return $shown;
        }
        $isAbsent = true === $written->maybe('absent')?->isTrue();
        if ($row->numbers->isAbsent() !== $isAbsent) {
            return $isAbsent ? 'no side is absent' : 'a side is absent, and that is not said';
        }
        if ('hat' === $this->ledger->family()) {
            return $this->ofVariance(
                'first',
                $row->numbers->variances['first'],
                null === $written->maybe('change') ? null : $written,
                'change',
                $row->takesAway,
            );
        }

        return $this->ofVariances($row->numbers, $written->must('variance'), $row->takesAway);
    }

    private function ofSum(?Numbers $expected, ?JsonValue $written): string
    {
        if (null === $expected) {
            return null === $written?->maybe('shown') ? '' : 'it is not to be said';
        }
        if (null === $written) {
            return 'it is missing';
        }
        $isCapacity = 'capacity' === $this->ledger->family();
        $shown = $isCapacity
            ? $this->ofNumber('rate', $expected->values['rate'], $written->maybe('shown'), 6)
            : $this->ofNumber('shown', $expected->shown, $written->maybe('shown'), $this->decimals);
        if ('' !== $shown) {
            return $shown;
        }
        foreach ($expected->leftOut as $reference => $periods) {
            $keys = array_map(
                fn (string $p): string => $this->ledger->calendar->key($p, $this->ledger->grain),
                $periods,
            );
            $are = array_map(
                static fn (JsonValue $key): string => $key->string(),
                $written->maybe('leftOut')?->maybe($reference)?->list() ?? [],
            );
            if ($keys !== $are) {
                return "left out against $reference are ".implode(' ', $are).', not '.implode(' ', $keys);
            }
        }

        return $this->ofVariances($expected, $written->must('variance'), false);
    }

    private function ofVariances(Numbers $expected, JsonValue $written, bool $takesAway): string
    {
        foreach ($expected->variances as $reference => $pair) {
            $difference = $this->ofVariance($reference, $pair, $written->maybe($reference), 'amount', $takesAway);
            if ('' !== $difference) {
                return $difference;
            }
        }

        return '';
    }

    private function ofVariance(
        string $reference,
        ?Pair $pair,
        ?JsonValue $written,
        string $amount,
        bool $takesAway,
    ): string {
        if (null === $pair || null === $written) {
            $is = $written?->must($amount)->string() ?? 'none';

            return null === $pair && null === $written
                ? ''
                : "variance against $reference is $is, not ".($pair->difference ?? 'none');
        }
        $isPoints = 'rateTarget' === $reference || $this->isRatio;
        $hasPercent = !$isPoints && !$pair->reference->isZero();
        $percent = $hasPercent ? $pair->difference->multipliedBy(100)->dividedBy($pair->reference->abs()) : null;
        $differences = [
            $this->ofNumber(
                "variance against $reference",
                $pair->difference,
                $written->must($amount),
                $isPoints ? 6 : $this->decimals,
            ),
            $this->ofNumber("percent against $reference", $percent, $written->maybe('percent'), 4),
            $this->ofEffect($pair, $written, $takesAway),
            $this->isFlagged($pair, $isPoints) === $written->must('flagged')->isTrue()
                ? ''
                : "the flag of $reference is wrong",
        ];

        return array_values(array_filter($differences))[0] ?? '';
    }

    private function ofEffect(Pair $pair, JsonValue $written, bool $takesAway): string
    {
        $isLess = Betterness::isLess($this->asked, $this->ledger->roles, $this->rule, $takesAway);
        $effect = match ($pair->difference->getSign() * ($isLess ? -1 : 1)) {
            1 => 'favourable',
            -1 => 'unfavourable',
            default => 'neutral',
        };
        $is = $written->must('effect')->string();

        return $effect === $is ? '' : "the effect is $is, not $effect";
    }

    private function isFlagged(Pair $pair, bool $isPoints): bool
    {
        if (null === $this->asked->flag || $pair->difference->isZero()) {
            return false;
        }
        if ($isPoints) {
            return $pair->difference->abs()->isGreaterThanOrEqualTo($this->asked->flag);
        }

        return !$pair->reference->isZero()
            && $pair->difference
                ->abs()
                ->multipliedBy(100)
                ->dividedBy($pair->reference->abs())
                ->isGreaterThanOrEqualTo($this->asked->flag);
    }

    /** @param non-negative-int $decimals */
    private function ofNumber(string $what, ?BigRational $expected, ?JsonValue $written, int $decimals): string
    {
        $text = $expected?->toScale($decimals, RoundingMode::HalfUp)->toString();
        if (null === $text || null === $written) {
            return null === $text && null === $written
                ? ''
                : "$what is ".
                        (null === $written ? 'missing' : $written->string()).
                        ', not '.
                        ($text ?? 'missing');
        }

        return BigRational::of($written->string())->isEqualTo($text) ? '' : "$what is {$written->string()}, not $text";
    }
}

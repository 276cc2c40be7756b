<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Totals;

/**
 * Finds the rows of a plain list that are sums of the rows before them: subtotals, and the end of a waterfall that was
 * written down by hand. Figures of few digits come to the sum of others by chance, so a row of them is taken for a sum
 * only where the last row of at least four turns out to be one as well.
 */
final class ListSums
{
    /** A row with so many digits is hardly the sum of others by chance. */
    private const DIGITS = 3;
    private const ROWS = 4;

    /**
     * @param array<string|int, int|float> $amounts by row, in the order of the list, all with equally many decimals; a
     *                                              float where one has outgrown the machine's integers
     *
     * @return list<string> rows that are the running total of those before them
     */
    public static function of(array $amounts): array
    {
        // Sums that have outgrown the machine's integers are not told apart exactly.
        if (!\is_int(array_sum(array_map(abs(...), $amounts)))) {
            return [];
        }
        $last = (string) array_key_last($amounts);
        if (\count($amounts) >= self::ROWS && 2 * end($amounts) === array_sum($amounts) && 0 !== end($amounts)) {
            return [$last];
        }
        $sums = self::told($amounts, 1);
        $isClosed = \count($amounts) >= self::ROWS && end($sums) === $last;

        return $isClosed ? $sums : self::told($amounts, self::DIGITS);
    }

    /**
     * @param array<string|int, int|float> $amounts
     *
     * @return list<string>
     */
    private static function told(array $amounts, int $digits): array
    {
        $sums = [];
        $running = $before = 0;
        foreach ($amounts as $row => $amount) {
            $hasRows = $before >= ([] === $sums ? 2 : 1);
            if ($hasRows && 0 !== $amount && $amount === $running && self::digits($amount) >= $digits) {
                $sums[] = (string) $row;
                $before = 0;
                continue;
            }
            $running += $amount;
            ++$before;
        }

        return $sums;
    }

    /** Digits without the noughts at the end: 1,200 has two. */
    private static function digits(int|float $amount): int
    {
        return \strlen(rtrim(ltrim((string) $amount, '-'), '0'));
    }
}

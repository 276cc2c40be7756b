<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Series\PackedAmounts;

/** Packed amounts, periods in any order, all multiplied by a power of ten. */
final class ScaledRuns
{
    /**
     * @param array<int, string> $packed
     *
     * @return array<int, string>|null none where an amount would outgrow the machine's integers
     */
    public static function of(array $packed, int $power): ?array
    {
        foreach ($packed as $run => $amounts) {
            $flat = PackedAmounts::flat($amounts);
            for ($i = 2, $end = \count($flat); $i <= $end; $i += 2) {
                $scaled = $flat[$i] * 10 ** $power;
                if (!\is_int($scaled)) {
                    return null;
                }
                $flat[$i] = $scaled;
            }
            $packed[$run] = pack('q*', ...$flat);
        }

        return $packed;
    }
}

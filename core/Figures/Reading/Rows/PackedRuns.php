<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** The amounts that were read, by run: the number of a combination times slots, plus the slot of a column. */
final class PackedRuns
{
    /** Combinations that are told at once. */
    private const AT_ONCE = 4096;

    /**
     * @param array<int, string> $packed by run, in the order of the rows
     * @param array<int, int> $decimals that the amounts really have, by run
     * @param int $scale decimals that all of them are scaled to
     */
    public function __construct(public array $packed, public array $decimals, public int $scale) {}

    /** @return \Generator<int, SeriesSlice> all of them, so that another process can put them behind its own */
    public function slices(RowCombinations $combinations, int $slots): \Generator
    {
        $from = 0;
        while ([] !== ($texts = $combinations->slice($from, self::AT_ONCE))) {
            $packed = $decimals = [];
            $first = $from * $slots;
            for ($run = $first, $end = $first + \count($texts) * $slots; $run < $end; ++$run) {
                if (isset($this->packed[$run])) {
                    $packed[$run - $first] = $this->packed[$run];
                    $decimals[$run - $first] = $this->decimals[$run] ?? 0;
                }
            }
            yield new SeriesSlice($texts, $packed, $decimals);
            $from += \count($texts);
        }
    }

    /**
     * Puts the amounts of the second half behind these, as if they had been read one after the other.
     *
     * @throws RefusedFigures
     * @throws SecondProcessLost where they do not all come
     */
    public function add(HalfRead $half, SecondProcess $second, RowCombinations $combinations, int $slots): void
    {
        $scale = max($this->scale, $half->scale);
        $packed = self::scaled($this->packed, $scale - $this->scale, $scale);
        $this->packed = [];
        $missing = $half->combinations;
        while (($slice = $second->maybeNext()) instanceof SeriesSlice) {
            $missing -= \count($slice->combinations);
            $numbers = array_map($combinations->numberOf(...), $slice->combinations);
            foreach (self::scaled($slice->packed, $scale - $half->scale, $scale) as $place => $amounts) {
                $run = $numbers[intdiv($place, $slots)] * $slots + $place % $slots;
                $packed[$run] ??= '';
                $packed[$run] .= $amounts;
                $this->decimals[$run] = max($this->decimals[$run] ?? 0, $slice->decimals[$place]);
            }
        }
        if (0 !== $missing) {
            throw new SecondProcessLost();
        }
        [$this->packed, $this->scale] = [$packed, $scale];
    }

    /**
     * @param array<int, string> $packed
     *
     * @return array<int, string> multiplied by a power of ten, which gives them so many decimals
     *
     * @throws RefusedFigures where one has too many digits then
     */
    public static function scaled(array $packed, int $power, int $decimals): array
    {
        return 0 === $power
            ? $packed
            : ScaledRuns::of($packed, $power) ?? throw self::tooLong('of other rows', $decimals);
    }

    public static function tooLong(string $amount, int $decimals): RefusedFigures
    {
        return RefusedFigures::whole(
            "The amount $amount has too many digits beside amounts with $decimals decimals. Give fewer decimals.",
        );
    }
}

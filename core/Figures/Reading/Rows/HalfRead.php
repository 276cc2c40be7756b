<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Rows;

/** What the reader of a file's second half tells of it, besides its series; nothing was refused, no row is a total. */
final readonly class HalfRead
{
    /**
     * @param int $combinations how many follow, in slices
     * @param array<string, string> $starts packed starts of periods by the texts that tell them
     * @param int $scale decimals that all amounts are scaled to
     * @param int $without rows without any amount
     * @param array<int, array<string, bool>> $guarded whether a name stands behind an apostrophe, by breakdown
     * @param array<string, string> $units by measure, where a column tells it
     * @param array<string, string> $currencies by measure, or column
     */
    public function __construct(
        public int $combinations,
        public array $starts,
        public int $scale,
        public int $rows,
        public int $without,
        public array $guarded,
        public array $units,
        public array $currencies,
    ) {}

    /** Whether it says the same as the first half of what both of them met. */
    public function goesWith(RowCombinations $combinations, Currencies $currencies): bool
    {
        foreach ($this->guarded as $breakdown => $names) {
            if (!self::areAlike($combinations->guarded[$breakdown] ?? [], $names)) {
                return false;
            }
        }

        return self::areAlike($combinations->units, $this->units)
            && self::areAlike($currencies->known, $this->currencies);
    }

    /**
     * @param array<string, string|bool> $one
     * @param array<string, string|bool> $other
     */
    private static function areAlike(array $one, array $other): bool
    {
        return [] === array_diff_assoc(array_intersect_key($one, $other), $other);
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/**
 * What an import makes of one series, and what it takes to undo that.
 * An amount that comes again unchanged belongs to the later import from then on: that file states it, too.
 */
final readonly class SeriesMerge
{
    /** @param Run $before the amounts that the import replaced, restated or removed, as they were */
    private function __construct(public Run $after, public Run $before, public MergeCounts $counts) {}

    /**
     * @param array<int, int> $incoming amounts by period start
     * @param array<int, true>|null $scope periods that are removed where the file does not have them; none: all of them
     */
    public static function of(Run $current, array $incoming, int $import, ?array $scope = []): self
    {
        $amounts = $current->amounts;
        $imports = $current->imports;
        $before = [];
        $added = $replaced = $unchanged = $removed = 0;
        foreach ($incoming as $start => $amount) {
            if (!isset($amounts[$start])) {
                ++$added;
            } else {
                $before[$start] = $amounts[$start];
                $amounts[$start] === $amount ? ++$unchanged : ++$replaced;
            }
            $amounts[$start] = $amount;
            $imports[$start] = $import;
        }
        foreach (
            array_diff_key(
                null === $scope ? $current->amounts : array_intersect_key($current->amounts, $scope),
                $incoming,
            ) as $start => $amount
        ) {
            ++$removed;
            $before[$start] = $amount;
            unset($amounts[$start], $imports[$start]);
        }

        return new self(
            new Run($amounts, $imports),
            new Run($before, array_intersect_key($current->imports, $before)),
            new MergeCounts($added, $replaced, $unchanged, $removed),
        );
    }
}

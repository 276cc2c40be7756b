<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/**
 * Changes by hand to one series, done and undone. They belong to an import "by hand" like any other; its log keeps what
 * stood there before the first of its changes, so that the whole import can be taken back.
 */
final readonly class SeriesEdit
{
    /**
     * @param Run $log what the import found before
     * @param list<AmountChange> $done those that took place
     * @param list<int> $skipped periods that were changed since, and so were left as they are
     */
    private function __construct(public Run $after, public Run $log, public array $done, public array $skipped) {}

    /** @param list<AmountChange> $changes of the series as it is now */
    public static function do(Run $current, Run $log, array $changes, int $import): self
    {
        $after = $current;
        $done = $skipped = [];
        foreach ($changes as $change) {
            $start = $change->start;
            if (($after->amounts[$start] ?? null) !== $change->was) {
                $skipped[] = $start;
                continue;
            }
            if (null !== $change->was && !$log->has($start) && ($after->imports[$start] ?? null) !== $import) {
                $log = $log->with($start, $change->was, $after->imports[$start]);
            }
            $after = null === $change->is ? $after->without($start) : $after->with($start, $change->is, $import);
            $done[] = $change;
        }

        return new self($after, $log, $done, $skipped);
    }

    /** @param list<AmountChange> $changes as they were done */
    public static function undo(Run $current, Run $log, array $changes, int $import): self
    {
        $after = $current;
        $done = $skipped = [];
        foreach (array_reverse($changes) as $change) {
            $start = $change->start;
            $isOurs = null === $change->is || ($after->imports[$start] ?? null) === $import;
            if (($after->amounts[$start] ?? null) !== $change->is || !$isOurs) {
                $skipped[] = $start;
                continue;
            }
            $after =
                null === $change->was
                    ? $after->without($start)
                    : $after->with($start, $change->was, $change->wasImport ?? $import);
            if (null !== $change->was && $change->wasImport !== $import) {
                $log = $log->without($start);
            }
            $done[] = new AmountChange($start, $change->is, $import, $change->was);
        }

        return new self($after, $log, $done, $skipped);
    }
}

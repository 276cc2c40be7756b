<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Keeping;

/**
 * Takes one import back out of a series: its amounts go, those that it replaced or removed come back. What a later
 * import overwrote stays as it is; that import is told what stood there before, as if the one taken back had never
 * been.
 */
final readonly class TakeBack
{
    /**
     * @param array<int, Run> $logs of later imports, what they found before, where that changes
     * @param list<int> $overwritten periods whose amounts belong to later imports
     */
    private function __construct(
        public Run $after,
        public array $logs,
        public array $overwritten,
        public int $gone,
        public int $restored,
    ) {}

    /**
     * @param array<int, Run> $logs what each import that touched the series found before, by import, rising; the one to
     *                              be taken back among them
     */
    public static function of(int $import, Run $current, array $logs): self
    {
        $own = $logs[$import] ?? new Run();
        $later = array_filter($logs, static fn (int $other): bool => $other > $import, \ARRAY_FILTER_USE_KEY);
        $after = $current;
        $changed = $overwritten = [];
        $gone = $restored = 0;
        foreach (self::periods($import, $current, $own, $later) as $start) {
            if (($current->imports[$start] ?? null) === $import) {
                $after = $after->like($own, $start);
                $own->has($start) ? ++$restored : ++$gone;
                continue;
            }
            $next = self::nextSetter($import, $start, $current, $later);
            if (null !== $next) {
                $changed[$next] = ($changed[$next] ?? $later[$next])->like($own, $start);
                $overwritten[] = $start;
            } elseif (!$current->has($start) && $own->has($start)) {
                $after = $after->like($own, $start);
                ++$restored;
            }
        }

        return new self($after, $changed, $overwritten, $gone, $restored);
    }

    /**
     * All periods that the import had a hand in.
     *
     * @param array<int, Run> $later
     *
     * @return list<int>
     */
    private static function periods(int $import, Run $current, Run $own, array $later): array
    {
        $periods =
            array_fill_keys(array_keys($current->imports, $import, true), true) +
            array_fill_keys(array_keys($own->amounts), true);
        foreach ($later as $log) {
            $periods += array_fill_keys(array_keys($log->imports, $import, true), true);
        }
        $periods = array_keys($periods);
        sort($periods);

        return $periods;
    }

    /**
     * The first later import that changed this period: it found this import's amount there, or filled the gap that this
     * one had left.
     *
     * @param array<int, Run> $later
     */
    private static function nextSetter(int $import, int $start, Run $current, array $later): ?int
    {
        foreach ($later as $other => $log) {
            if (($log->imports[$start] ?? null) === $import) {
                return $other;
            }
        }
        // The gap: back from what stands there now (or was removed last) to the one that found nothing before it.
        $setter = $current->imports[$start] ?? null;
        foreach (null === $setter ? array_reverse($later, true) : [] as $log) {
            if ($log->has($start)) {
                $setter = $log->imports[$start];
                break;
            }
        }
        while (null !== $setter && isset($later[$setter]) && $later[$setter]->has($start)) {
            $setter = $later[$setter]->imports[$start];
        }

        return null !== $setter && isset($later[$setter]) ? $setter : null;
    }
}

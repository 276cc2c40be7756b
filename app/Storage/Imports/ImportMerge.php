<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\SeriesWriter;
use KeenMargin\Core\Figures\Arrival\Picked;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Keeping\MergeCounts;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\SeriesMerge;
use KeenMargin\Core\Figures\Reading\Rows\ScaledRuns;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;

/** Brings figures into a dataset a series at a time, or only counts what that would change. */
final class ImportMerge
{
    private const SERIES_BETWEEN_SIGNS = 512;

    /** @var array<string, int> */
    private array $ids;
    /** @var array<int, string>|null packed amounts of all series, where nothing is written; null: not loaded */
    private ?array $kept = null;

    /**
     * @param ?callable(int): void $sign
     * @param ?Picked $picked what of the dataset the figures are about; null: all of it
     * @param ?FactTable $whole of which the figures are the part that was picked: its periods are replaced
     */
    public function __construct(
        private readonly DatasetOutline $outline,
        private readonly SeriesStore $store,
        private readonly FactTable $table,
        private readonly ImportMode $mode,
        private readonly mixed $sign = null,
        private readonly ?Picked $picked = null,
        private readonly ?FactTable $whole = null,
    ) {
        $this->ids = $store->seriesIds((int) $outline->record()->id);
    }

    public function count(): MergeCounts
    {
        $counts = new MergeCounts();
        foreach ($this->merged(0) as [, $merge]) {
            $counts = $counts->and(
                $merge instanceof SeriesMerge ? $merge->counts : new MergeCounts(added: PackedAmounts::count($merge)),
            );
        }

        return $counts;
    }

    /**
     * What bringing the figures in would change, amount by amount; nothing is written.
     *
     * @return \Generator<int, array{Series, array<int, int>, array<int, int>}> series with its amounts by period start,
     *                                                                          before and after, where they differ
     */
    public function changes(): \Generator
    {
        $this->kept = $this->store->runs()->amountsOf((int) $this->outline->record()->id);
        foreach ($this->merged(0) as $key => [, $merge]) {
            if ($merge instanceof SeriesMerge) {
                // Where nothing else is kept of a run than its amounts, what has an import is what came.
                $is = array_intersect_key($merge->after->amounts, $merge->after->imports);
                yield [$this->seriesOf((string) $key), $merge->before->amounts, $is];
            } else {
                yield [$this->seriesOf((string) $key), [], PackedAmounts::unpack($merge)];
            }
        }
        $this->kept = null;
    }

    private function seriesOf(string $key): Series
    {
        return str_starts_with($key, 'new ')
            ? $this->table->series[(int) substr($key, 4)]
            : $this->outline->series($key);
    }

    public function write(int $import): MergeCounts
    {
        $counts = new MergeCounts();
        $writer = new SeriesWriter($this->store->connection);
        $next = $this->store->nextSeries();
        $done = 0;
        foreach ($this->merged($import) as $key => [$id, $merge]) {
            if (null !== $this->sign && 0 === ++$done % self::SERIES_BETWEEN_SIGNS) {
                ($this->sign)($done);
            }
            if (null === $id) {
                $id = $next++;
                $writer->series($id, (int) $this->outline->record()->id, $key);
            }
            if (\is_string($merge)) {
                $writer->packed($id, $merge, $import);
                $counts = $counts->and(new MergeCounts(added: PackedAmounts::count($merge)));
                continue;
            }
            $writer->run($id, $merge->after);
            $writer->log($import, $id, $merge->before);
            $counts = $counts->and($merge->counts);
        }
        $writer->flush();

        return $counts;
    }

    /**
     * @return \Generator<string, array{?int, SeriesMerge|string}> by key: the series, and its merge; packed amounts
     *                                                             where it has none yet
     */
    private function merged(int $import): \Generator
    {
        $dataset = $this->table->dataset();
        $measures = $this->outline->measures();
        $positions = $this->outline->positions($dataset);
        $seen = $alike = $own = [];
        foreach ($this->table->series as $i => $series) {
            [$measure, $scale] = $measures[$series->measure] ?? [0, 0];
            $members = $this->outline->maybeIds($series->members(), $positions);
            $more = $scale - ($dataset->maybeMeasure($series->measure)->decimals ?? 0);
            $amounts =
                $more > 0
                    ? ScaledRuns::of([$this->table->packed[$i]], $more)[0] ??
                        throw RefusedFigures::whole(
                            'The amounts '
                                ."of $series->measure have too many digits beside amounts "
                                ."with $scale decimals. Give fewer decimals.",
                        )
                    : $this->table->packed[$i];
            $key =
                0 === $measure || null === $members
                    ? "new $i"
                    : SeriesStore::seriesKey($measure, SeriesStore::scenarioNumber($series->scenario), $members);
            $id = $this->ids[$key] ?? null;
            if (null !== $members && $this->outline->hasMerged()) {
                foreach (\array_slice($this->outline->alike($members), 1) as $other) {
                    $alike[
                        SeriesStore::seriesKey($measure, SeriesStore::scenarioNumber($series->scenario), $other)
                    ][] = $i;
                }
                $own[$key] = true;
            }
            if (null === $id) {
                yield $key => [null, $amounts];
                continue;
            }
            $seen[$id] = true;
            if ($more >= 0 && $amounts === ($this->kept[$id] ?? null)) {
                continue;
            }
            $scope = match ($this->mode) {
                ImportMode::Add => [],
                ImportMode::ReplacePeriods => $this->scopes()[
                    $this->scopeKey($measure, SeriesStore::scenarioNumber($series->scenario))
                ] ?? [],
                ImportMode::ReplaceAll => null,
            };
            yield $key => [
                $id,
                SeriesMerge::of(
                    $this->run($id, -$more), PackedAmounts::unpack($amounts), $import, $this->within($scope),
                ),
            ];
        }
        foreach (array_diff_key($alike, $own) as $key => $incoming) {
            $id = $this->ids[$key] ?? null;
            if (null !== $id && ImportMode::Add === $this->mode) {
                yield from $this->givenWay((string) $key, $id, $import, $incoming);
            }
        }
        if (ImportMode::Add !== $this->mode) {
            yield from $this->emptied($import, $seen);
        }
    }

    /**
     * A merged member's amounts give way where the file states those of the member that it counts as.
     *
     * @param list<int> $incoming series of the file
     *
     * @return \Generator<string, array{?int, SeriesMerge|string}>
     */
    private function givenWay(string $key, int $id, int $import, array $incoming): \Generator
    {
        $starts = [];
        foreach ($incoming as $i) {
            $starts += array_fill_keys(array_keys(PackedAmounts::unpack($this->table->packed[$i])), true);
        }
        $merge = SeriesMerge::of($this->run($id, 0), [], $import, $starts);
        if ($merge->counts->removed > 0) {
            yield $key => [$id, $merge];
        }
    }

    /**
     * Series that the file does not have, of which the mode removes some or all.
     *
     * @param array<int, true> $seen
     *
     * @return \Generator<string, array{?int, SeriesMerge|string}>
     */
    private function emptied(int $import, array $seen): \Generator
    {
        foreach ($this->ids as $key => $id) {
            [$measure, $scenario] = array_map(intval(...), explode(',', $key, 3));
            $scope =
                ImportMode::ReplaceAll === $this->mode
                    ? null
                    : $this->scopes()[$this->scopeKey($measure, $scenario)] ?? [];
            if (isset($seen[$id]) || [] === $scope || !$this->isPicked((string) $key)) {
                continue;
            }
            $merge = SeriesMerge::of($this->run($id, 0), [], $import, $this->within($scope));
            if ($merge->counts->removed > 0) {
                yield $key => [$id, $merge];
            }
        }
    }

    private function isPicked(string $key): bool
    {
        return null === $this->picked
            || $this->picked->letsSeries($this->outline->series($key), $this->outline->breakdownNames());
    }

    /**
     * @param array<int, true>|null $scope
     *
     * @return array<int, true>|null
     */
    private function within(?array $scope): ?array
    {
        return null === $this->picked?->starts ? $scope : $this->picked->ofPeriods($scope ?? $this->picked->starts);
    }

    /** Its amounts with more decimals, where the figures have more and none of them is written yet. */
    private function run(int $series, int $power): Run
    {
        $run = null === $this->kept
            ? $this->store->runs()->run($series)
            : new Run(PackedAmounts::unpack($this->kept[$series] ?? ''));
        if ($power <= 0 || [] === $run->amounts) {
            return $run;
        }
        $scaled = ScaledRuns::of([PackedAmounts::pack($run->amounts)], $power)[0] ?? null;

        return null === $scaled ? $run : new Run(PackedAmounts::unpack($scaled), $run->imports);
    }

    /** @var array<string, array<int, true>>|null */
    private ?array $scopes = null;

    /** @return array<string, array<int, true>> periods that the file has, by measure and scenario */
    private function scopes(): array
    {
        if (null === $this->scopes) {
            $this->scopes = [];
            $measures = $this->outline->measures();
            $whole = $this->whole ?? $this->table;
            foreach ($whole->series as $i => $series) {
                $key = $this->scopeKey(
                    $measures[$series->measure][0] ?? 0,
                    SeriesStore::scenarioNumber($series->scenario),
                );
                $this->scopes[$key] =
                    ($this->scopes[$key] ?? []) +
                    array_fill_keys(array_keys(PackedAmounts::unpack($whole->packed[$i])), true);
            }
        }

        return $this->scopes;
    }

    private function scopeKey(int $measure, int $scenario): string
    {
        return "$measure,$scenario";
    }
}

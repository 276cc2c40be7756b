<?php

declare(strict_types=1);

namespace KeenMargin\App\Checking;

use KeenMargin\App\Storage\FindingStore;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Figures\Checking\CheckFinding;
use KeenMargin\Core\Figures\Checking\DatasetChecks;
use KeenMargin\Core\Figures\Series\Series;

/** The checks of a dataset, kept until it changes, with those that somebody accepted. */
final readonly class DatasetFindings
{
    /** Figures of a dataset that are checked while a list waits. */
    private const MOST_AT_ONCE = 5_000;

    public function __construct(
        private OpenDatasets $datasets,
        private SeriesStore $store,
        private FindingStore $kept,
    ) {}

    /** @return list<array<string, mixed>> as CheckFinding::toArray(), with `accepted`: reason, who, at; or none */
    public function of(DatasetRecord $record): array
    {
        $findings = $this->maybeKept($record) ?? $this->make($record);
        $accepted = $this->kept->accepted($record);

        return array_map(
            static fn (array $finding): array => $finding + [
                'accepted' => ($accepted[$finding['id']]['mark'] ?? null) === $finding['mark']
                        ? $accepted[$finding['id']]
                        : null,
            ],
            $findings,
        );
    }

    /**
     * How many fail and are not accepted; none where there are so many figures that checking them again takes a while,
     * and they have changed since.
     */
    public function failing(DatasetRecord $record): ?int
    {
        if ($record->factCount > self::MOST_AT_ONCE && null === $this->maybeKept($record)) {
            return null;
        }

        return \count(array_filter(
            $this->of($record),
            static fn (array $finding): bool => true !== $finding['holds'] && null === $finding['accepted'],
        ));
    }

    public function accept(DatasetRecord $record, string $id, string $mark, string $reason, string $who): void
    {
        $this->kept->accept($record, $id, $mark, $reason, $who);
    }

    public function withdraw(DatasetRecord $record, string $id): void
    {
        $this->kept->withdraw($record, $id);
    }

    /**
     * @return list<array{
     *     id: string, holds: bool, says: string, count: int, mark: string, places: list<array<string, mixed>>,
     * }>|null
     */
    private function maybeKept(DatasetRecord $record): ?array
    {
        $kept = $this->kept->maybeKept($record);
        /**
         * @var list<array{
         *     id: string, holds: bool, says: string, count: int, mark: string, places: list<array<string, mixed>>,
         * }>|null $read
         */
        $read = null === $kept ? null : json_decode($kept, true);

        return $read;
    }

    /**
     * @return list<array{
     *     id: string, holds: bool, says: string, count: int, mark: string, places: list<array<string, mixed>>,
     * }>
     */
    private function make(DatasetRecord $record): array
    {
        $findings = array_map(
            static fn (CheckFinding $finding): array => $finding->toArray(),
            DatasetChecks::of($this->datasets->figures($record)->dataset(), $this->series($record)),
        );
        $this->kept->keep($record, json_encode($findings, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));

        return $findings;
    }

    /** @return \Generator<int, array{Series, string}> */
    private function series(DatasetRecord $record): \Generator
    {
        $figures = $this->datasets->figures($record);
        $names = $measures = [];
        foreach ($record->breakdowns as $breakdown) {
            $names[] = $figures->members($breakdown->name)->names();
        }
        foreach ($record->measures as $measure) {
            $measures[(int) $measure->id] = $measure->name;
        }
        foreach ($this->store->wholeSeries((int) $record->id) as [$measure, $scenario, $ids, $packed]) {
            $members = array_map(
                static fn (array $own, int $id): string => $own[$id] ?? '',
                $names,
                \array_slice($ids, 0, \count($names)),
            );
            yield [Series::of($measures[$measure] ?? '', SeriesStore::scenario($scenario), $members), $packed];
        }
    }
}

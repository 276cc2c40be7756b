<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Files\KeptCopy;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\DatasetTotals;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Figures\Arrival\KnownPeriods;
use KeenMargin\Core\Figures\Arrival\Picked;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Keeping\MergeCounts;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Guess\JoinedMapping;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Series\FactTable;

/** Keeps what was read: as a dataset of its own or in one that is there; in one transaction, whole or not at all. */
final readonly class ImportKeeper
{
    public function __construct(
        private EntityManagerInterface $manager,
        private SeriesStore $store,
        private DatasetTotals $totals,
        private KeptFiles $files,
        private WriteTurn $turn,
        private CurrentJob $job,
        private CameLog $came,
    ) {}

    /** @param ?callable(int): void $sign told the number of series from time to time */
    public function create(ReadFigures $read, ImportSource $source, ?callable $sign = null): ImportRecord
    {
        return $this->whole(
            $source,
            fn (?KeptCopy $kept): ImportRecord => $this->turn->take(function () use (
                $read,
                $source,
                $kept,
                $sign,
            ): ImportRecord {
                $outline = DatasetOutline::ofNew($read->table->dataset(), $this->manager, $this->store);

                return $this->write(
                    outline: $outline, read: $read, source: $source, mode: ImportMode::Add, kept: $kept, sign: $sign,
                );
            }),
        );
    }

    /**
     * @param ?callable(int): void $sign
     * @param ?callable(DatasetRecord): void $insist told the dataset as it is when its turn has come; may throw
     * @param ?Picked $picked the part of the figures that comes in; null: all of them
     * @param ?callable(ImportRecord): void $then done in the same transaction
     */
    public function bringInto(
        DatasetRecord $record,
        ReadFigures $read,
        ImportSource $source,
        ImportMode $mode,
        ?callable $sign = null,
        ?callable $insist = null,
        ?Picked $picked = null,
        ?callable $then = null,
    ): ImportRecord {
        $whole = $read->table;
        $read = null === $picked ? $read : $picked->of($read);

        return $this->whole(
            $source,
            fn (?KeptCopy $kept): ImportRecord => $this->turn->onDataset((int) $record->id, function (
                DatasetRecord $record,
            ) use ($read, $source, $mode, $kept, $sign, $insist, $picked, $whole, $then): ImportRecord {
                null === $insist || $insist($record);
                JoinedMapping::insist($read->table->dataset(), $this->dataset($record));
                $outline = new DatasetOutline($record, $this->manager, $this->store);
                $isFirst = 0 === $record->factCount;
                $new = $outline->widen($read->table->dataset());

                return $this->write(
                    outline: $outline,
                    read: $read,
                    source: $source,
                    mode: $mode,
                    kept: $kept,
                    sign: $sign,
                    new: $isFirst ? [] : $new,
                    picked: $picked,
                    whole: $whole,
                    then: $then,
                );
            }),
        );
    }

    /**
     * The file is copied before the turn, as that takes a while, and is kept within it; where the import fails nothing
     * is left.
     *
     * @param callable(?KeptCopy): ImportRecord $write
     */
    private function whole(ImportSource $source, callable $write): ImportRecord
    {
        $copy = null === $source->path ? null : $this->files->copied($source->path, $source->digest);
        try {
            return $write($copy);
        } catch (\Throwable $e) {
            $copy?->drop();
            $this->sweepAside();
            throw $e;
        }
    }

    /** Where nothing can be written just now, the next import or the next start does it. */
    private function sweepAside(): void
    {
        try {
            $this->turn->take(fn (): int => $this->files->sweep($this->referred()));
        } catch (\Throwable) {
        }
    }

    /** @return list<string> names of the files that imports and arrivals refer to */
    public function referred(): array
    {
        /** @var list<string> */
        return $this->store->connection->fetchFirstColumn(KeptFiles::REFERRED);
    }

    /** What bringing the figures in would change; nothing is written. */
    public function foresee(DatasetRecord $record, ReadFigures $read, ImportMode $mode): MergeCounts
    {
        JoinedMapping::insist($read->table->dataset(), $this->dataset($record));

        return (new ImportMerge(
            new DatasetOutline($record, $this->manager, $this->store), $this->store, $read->table, $mode,
        ))->count();
    }

    /** The same, amount by amount. */
    public function differences(DatasetRecord $record, ReadFigures $read, ImportMode $mode): Differences
    {
        $dataset = $this->dataset($record);
        JoinedMapping::insist($read->table->dataset(), $dataset);
        $outline = new DatasetOutline($record, $this->manager, $this->store);
        $differences = new Differences(new KnownPeriods($dataset));
        foreach ((new ImportMerge($outline, $this->store, $read->table, $mode))->changes() as [$series, $was, $is]) {
            $differences->addSeries($series, $was, $is);
        }

        return $differences;
    }

    /**
     * @param ?callable(int): void $sign
     * @param array<string, list<string>> $new members that figures of the dataset had not named before, by breakdown
     * @param ?callable(ImportRecord): void $then
     */
    private function write(
        DatasetOutline $outline,
        ReadFigures $read,
        ImportSource $source,
        ImportMode $mode,
        ?KeptCopy $kept,
        ?callable $sign,
        array $new = [],
        ?Picked $picked = null,
        ?FactTable $whole = null,
        ?callable $then = null,
    ): ImportRecord {
        $record = $outline->record();
        $covered = $record->coverage;
        // Series are written one after the other: a large cache would only fill up.
        $this->store->connection->executeStatement('PRAGMA cache_size = -6000');
        $import = new ImportRecord(
            dataset: $record,
            name: $source->name,
            digest: $source->digest,
            rowCount: $read->rows,
            factCount: $read->table->count(),
            mapping: $source->mapping,
            mode: $mode->value,
            signature: $source->signature,
        );
        $import->keptFile = $kept?->name;
        $import->who = $source->who;
        $this->manager->persist($import);
        $this->manager->flush();
        $merge = new ImportMerge(
            outline: $outline,
            store: $this->store,
            table: $read->table,
            mode: $mode,
            sign: $sign,
            picked: $picked,
            whole: $whole,
        );
        $counts = $merge->write((int) $import->id);
        $import->counts = $counts->toArray();
        $record->notices = array_map(static fn (Notice $notice): array => $notice->toArray(), [
            ...$read->table->dataset()->notices,
            ...Notice::ofNewMembers($new, $source->name),
        ]);
        $record->usedAt = new \DateTimeImmutable();
        $this->totals->make($record);
        $this->came->log($import, $read->table, $covered);
        $this->manager->flush();
        null === $then || $then($import);
        $this->manager->flush();
        $kept?->keep();
        $this->job->committing();
        // An import that was killed may have left its file.
        $this->files->sweep($this->referred());

        return $import;
    }

    private function dataset(DatasetRecord $record): Dataset
    {
        return (new StoredFigures($record, $this->store))->dataset();
    }
}

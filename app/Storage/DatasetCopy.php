<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\CopiedNumbers;
use KeenMargin\App\Storage\Names\NumberedRow;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\DatasetTotals;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;

/** Copies a dataset with its figures and settings. Its imports and its log of changes stay with the original. */
final readonly class DatasetCopy
{
    public function __construct(
        private EntityManagerInterface $manager,
        private SeriesStore $store,
        private DatasetTotals $totals,
        private WriteTurn $turn,
        private CurrentJob $job,
    ) {}

    public function of(DatasetRecord $record, string $who): DatasetRecord
    {
        return $this->turn->onDataset((int) $record->id, function (DatasetRecord $record) use ($who): DatasetRecord {
            $copy = new DatasetRecord(
                name: mb_substr("{$record->name} (copy)", 0, 200),
                organisation: $record->organisation,
                grain: $record->grain,
                firstMonth: $record->firstMonth,
                coverage: $record->coverage,
                notices: $record->notices,
            );
            $copy->closedThrough = $record->closedThrough;
            $copy->finest = $record->finest;
            $this->manager->persist($copy);
            $import = new ImportRecord(
                dataset: $copy,
                name: "Copy of {$record->name}",
                digest: '',
                rowCount: 0,
                factCount: $record->factCount,
                mapping: [],
                mode: 'add',
            );
            $import->who = $who;
            $this->manager->persist($import);
            $this->manager->flush();
            $this->copy((int) $record->id, (int) $copy->id, (int) $import->id);
            $this->manager->refresh($copy);
            $this->totals->make($copy);
            $this->job->committing();
            $this->manager->flush();

            return $copy;
        });
    }

    /** Every row gets the next free id of its table, so that ids grow by what is added. */
    private function copy(int $from, int $to, int $import): void
    {
        $connection = $this->store->connection;
        $this->number('measure', "SELECT id FROM measure WHERE dataset_id = $from");
        $this->number('breakdown', "SELECT id FROM breakdown WHERE dataset_id = $from");
        $this->number(
            'member', "SELECT m.id FROM member m JOIN breakdown b ON b.id = m.breakdown_id WHERE b.dataset_id = $from",
        );
        // Series without amounts are those of steps that were undone; steps stay with the first.
        $this->number('series', "SELECT s.id FROM series s JOIN packed p ON p.series = s.id WHERE s.dataset = $from");
        $new = static fn (string $table, string $id): string => "(SELECT new FROM copied_$table WHERE old = $id)";
        $connection->executeStatement(
            'INSERT INTO note (dataset_id, version, measure, period, place, label, text, author, at, changed_at) '.
                "SELECT $to, 1, measure, period, place, label, text, author, at, changed_at FROM note WHERE ".
                "dataset_id = $from ORDER BY id",
        );
        $connection->executeStatement(
            'INSERT INTO measure (id, position, name, unit, scale, grouping, over_members, better, numerator, '.
                "denominator, dataset_id, former, band, bands) SELECT {$new(
                    'measure', 'id',
                )}, position, name, unit, scale, grouping, over_members, better, numerator, ".
                "denominator, $to, former, band, bands FROM measure WHERE dataset_id = $from",
        );
        $connection->executeStatement(
            "INSERT INTO breakdown (id, position, name, dataset_id, former) SELECT {$new(
                'breakdown', 'id',
            )}, position, name, $to, former FROM breakdown WHERE dataset_id = $from",
        );
        $connection->executeStatement(
            'INSERT INTO member (id, position, name, breakdown_id, parent_id, role, merged_into, former) SELECT '.
                "c.new, m.position, m.name, {$new('breakdown', 'm.breakdown_id')}, {$new(
                    'member', 'm.parent_id',
                )}, m.role, {$new(
                    'member', 'm.merged_into',
                )}, m.former FROM copied_member c JOIN member m ON m.id = c.old",
        );
        $members = implode(
            ', ',
            array_map(
                static fn (int $place): string => "CASE m$place WHEN 0 THEN 0 ELSE {$new('member', "m$place")} END",
                range(0, SeriesStore::PLACES - 1),
            ),
        );
        $connection->executeStatement(
            "INSERT INTO series SELECT c.new, $to, {$new(
                'measure', 's.measure',
            )}, s.scenario, $members FROM copied_series c JOIN series s ON s.id = c.old",
        );
        $connection->executeStatement(
            "INSERT INTO packed SELECT c.new, p.amounts, x'".
                bin2hex(pack('q', $import)).
                "' FROM copied_series c JOIN packed p ON p.series = c.old",
        );
        $this->renumber($to);
        $this->job->tell('totals', 0);
        foreach (['measure', 'breakdown', 'member', 'series'] as $table) {
            $connection->executeStatement("DROP TABLE copied_$table");
        }
    }

    /** What copied measures and notes refer to, by the numbers of the copy. */
    private function renumber(int $dataset): void
    {
        $connection = $this->store->connection;
        $new = [];
        foreach (['measure', 'breakdown', 'member'] as $kind) {
            /** @var array<int, int> $copied */
            $copied = $connection->fetchAllKeyValue("SELECT old, new FROM copied_$kind");
            $new[$kind] = $copied;
        }
        $numbers = new CopiedNumbers($new);
        foreach (['measure', 'note'] as $table) {
            $rows = $connection->fetchAllAssociative("SELECT * FROM $table WHERE dataset_id = ?", [$dataset]);
            foreach ($rows as $row) {
                $numbered = NumberedRow::columns($table, $row, $numbers);
                [] === $numbered || $connection->update($table, $numbered, ['id' => $row['id']]);
            }
        }
    }

    /** Keeps, for the time of the transaction, the new id of each old one. */
    private function number(string $table, string $ids): void
    {
        $first = 'series' === $table ? $this->store->nextSeries() : $this->store->nextId($table);
        $this->store->connection->executeStatement(
            "CREATE TEMPORARY TABLE copied_$table AS SELECT id AS ".
                "old, $first - 1 + ROW_NUMBER() OVER (ORDER BY id) AS new FROM ($ids) AS ids",
        );
        $this->store->connection->executeStatement("CREATE UNIQUE INDEX copied_{$table}_old ON copied_$table (old)");
    }
}

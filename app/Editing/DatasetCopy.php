<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\DatasetRecord;
use KeenMargin\App\Storage\DatasetTotals;
use KeenMargin\App\Storage\ImportRecord;
use KeenMargin\App\Storage\SeriesStore;

/** A dataset once more, with its figures and settings; what was brought in or changed before stays with the first. */
final readonly class DatasetCopy
{
    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store, private DatasetTotals $totals)
    {
    }

    public function of(DatasetRecord $record, string $who): DatasetRecord
    {
        return $this->manager->wrapInTransaction(function () use ($record, $who): DatasetRecord {
            $copy = new DatasetRecord(mb_substr("{$record->name} (copy)", 0, 200), $record->organisation, $record->grain, $record->firstMonth, $record->coverage, $record->notices);
            $copy->closedThrough = $record->closedThrough;
            $copy->finest = $record->finest;
            $this->manager->persist($copy);
            $import = new ImportRecord($copy, "Copy of {$record->name}", '', 0, $record->factCount, [], 'add');
            $import->who = $who;
            $this->manager->persist($import);
            $this->manager->flush();
            $this->copy((int) $record->id, (int) $copy->id, (int) $import->id);
            $this->manager->refresh($copy);
            $this->totals->make($copy);
            $this->manager->flush();

            return $copy;
        });
    }

    /** Every id moves by the same distance, so that what refers to another still does. */
    private function copy(int $from, int $to, int $import): void
    {
        $connection = $this->store->connection;
        $measure = $this->highest('measure');
        $breakdown = $this->highest('breakdown');
        $member = $this->highest('member');
        $connection->executeStatement("INSERT INTO note (dataset_id, version, measure, period, place, label, text, author, at, changed_at) SELECT $to, 1, measure, period, place, label, text, author, at, changed_at FROM note WHERE dataset_id = $from ORDER BY id");
        $series = $this->store->number('SELECT COALESCE(MAX(id), 0) FROM series');
        $connection->executeStatement("INSERT INTO measure (id, position, name, unit, scale, grouping, over_members, better, numerator, denominator, dataset_id, former, band) SELECT id + $measure, position, name, unit, scale, grouping, over_members, better, numerator, denominator, $to, former, band FROM measure WHERE dataset_id = $from");
        $connection->executeStatement("INSERT INTO breakdown (id, position, name, dataset_id, former) SELECT id + $breakdown, position, name, $to, former FROM breakdown WHERE dataset_id = $from");
        $connection->executeStatement("INSERT INTO member (id, position, name, breakdown_id, parent_id, role, merged_into, former) SELECT m.id + $member, m.position, m.name, m.breakdown_id + $breakdown, m.parent_id + $member, m.role, m.merged_into + $member, m.former FROM member m JOIN breakdown b ON b.id = m.breakdown_id WHERE b.dataset_id = $from");
        $members = implode(', ', array_map(static fn (int $place): string => "CASE m$place WHEN 0 THEN 0 ELSE m$place + $member END", range(0, SeriesStore::PLACES - 1)));
        $connection->executeStatement("INSERT INTO series SELECT id + $series, $to, measure + $measure, scenario, $members FROM series WHERE dataset = $from");
        $connection->executeStatement("INSERT INTO packed SELECT p.series + $series, p.amounts, x'".bin2hex(pack('q', $import))."' FROM series s JOIN packed p ON p.series = s.id WHERE s.dataset = $from");
    }

    private function highest(string $table): int
    {
        return max($this->store->number("SELECT COALESCE(MAX(id), 0) FROM $table"), $this->store->number("SELECT COALESCE(MAX(seq), 0) FROM sqlite_sequence WHERE name = '$table'"));
    }
}

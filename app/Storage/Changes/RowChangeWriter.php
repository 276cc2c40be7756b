<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Names\NameKind;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\MeasureRecord;
use KeenMargin\App\Storage\Reports\ReportSteps;
use KeenMargin\App\Storage\Series\DatasetTotals;
use KeenMargin\App\Storage\Series\MeasureScale;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;

/** Applies changed rows of tables, forwards or backwards. */
final readonly class RowChangeWriter
{
    public function __construct(
        private EntityManagerInterface $manager,
        private SeriesStore $store,
        private DatasetTotals $totals,
        private ReportSteps $reports,
        private KeptDocuments $documents,
    ) {}

    /** @param list<TableRowChange> $rows */
    public function apply(array $rows, bool $forth): void
    {
        $connection = $this->store->connection;
        foreach ($forth ? $rows : array_reverse($rows) as $row) {
            [$before, $after] = $forth ? [$row->was, $row->is] : [$row->is, $row->was];
            if (null !== $after) {
                $after = array_intersect_key($after, array_flip(TableRowChange::TABLES[$row->table]));
            }
            if ('report' === $row->table) {
                $this->reports->rewrite(
                    $row->id,
                    (string) ($before['document'] ?? ''),
                    (string) ($after['document'] ?? ''),
                );
            } elseif (null === $before) {
                $this->insert($row, $after ?? []);
            } elseif (null === $after) {
                $this->remove($row);
            } elseif ('measure' === $row->table && isset($after['scale'])) {
                $this->rescale($row->id, (int) $after['scale'], (int) $before['scale']);
            } else {
                $isNamedOtherwise = isset($after['name']) || \array_key_exists('merged_into', $after);
                $kind = $isNamedOtherwise ? NameKind::tryFrom($row->table) : null;
                null === $kind || $this->documents->names->lose($kind, $row->id);
                $connection->update($row->table, $after, ['id' => $row->id]);
                'measure' === $row->table && $this->recount($row->id, $before, $after);
            }
        }
        $this->documents->known->forget();
    }

    /**
     * A member that has got figures since stays, and so does one whose figures an import found and would bring back.
     * Its series stay, empty: who does the change again finds them.
     */
    private function remove(TableRowChange $row): void
    {
        if ('member' === $row->table) {
            $places = implode(
                ' OR ',
                array_map(static fn (int $place): string => "s.m$place = $row->id", range(0, SeriesStore::PLACES - 1)),
            );
            $dataset = $this->store->number(
                "SELECT b.dataset_id FROM member m JOIN breakdown b ON b.id = m.breakdown_id WHERE m.id = $row->id",
            );
            $found =
                'SELECT COUNT(*) FROM series s JOIN touched t ON t.series = s.id WHERE s.dataset '.
                "= $dataset AND LENGTH(t.amounts) > 0 AND ($places)";
            if (
                0 <
                    $this->store->number(
                        'SELECT COUNT(*) FROM series s JOIN packed p ON p.series = s.id WHERE s.dataset '.
                            "= $dataset AND ($places)",
                    )
                || 0 < $this->store->number($found)
            ) {
                return;
            }
        }
        $kind = NameKind::tryFrom($row->table);
        null === $kind || $this->documents->names->lose($kind, $row->id);
        $this->store->connection->delete($row->table, ['id' => $row->id]);
    }

    /**
     * A member that came back by itself meanwhile is there already.
     *
     * @param array<string, int|string|null> $columns
     */
    private function insert(TableRowChange $row, array $columns): void
    {
        $isThere =
            'member' === $row->table
            && 0 < $this->store->number("SELECT COUNT(*) FROM member WHERE id = $row->id");
        $isThere || $this->store->connection->insert($row->table, ['id' => $row->id] + $columns);
    }

    /**
     * Totals hold how many amounts are in each only where that matters; where a rule changes that, they are made anew.
     *
     * @param array<string, int|string|null> $before
     * @param array<string, int|string|null> $after
     */
    private function recount(int $id, array $before, array $after): void
    {
        if (!isset($after['grouping']) && !isset($after['over_members'])) {
            return;
        }
        $record =
            $this->manager->find(MeasureRecord::class, $id) ?? throw new \LogicException("There is no measure $id.");
        $this->manager->refresh($record);
        $measure = $record->measure();
        $was = new Measure(
            $measure->name,
            grouping: Grouping::from((string) ($before['grouping'] ?? $measure->grouping->value)),
            overMembers: OverMembers::from((string) ($before['over_members'] ?? $record->overMembers)),
        );
        if ($was->isCounted() !== $measure->isCounted()) {
            $this->totals->make($record->dataset);
            $this->manager->flush();
        }
    }

    /** More decimals, or as many fewer as all amounts can do without. */
    private function rescale(int $id, int $to, int $from): void
    {
        $measure =
            $this->manager->find(MeasureRecord::class, $id) ?? throw new \LogicException("There is no measure $id.");
        $dataset = $this->manager->find(DatasetRecord::class, $measure->dataset->id) ?? throw new \LogicException();
        if ((new MeasureScale($this->store))->change((int) $dataset->id, $id, $measure->name, $to - $from)) {
            $measure->scale = $to;
            $this->totals->make($dataset);
            $this->manager->flush();
        }
    }
}

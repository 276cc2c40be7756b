<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;

/** Does what people change in a dataset, and undoes it in turn: the last step first, also after a reload. */
final readonly class ChangeLog
{
    private Connection $connection;

    public function __construct(
        private EntityManagerInterface $manager,
        private RowChangeWriter $rows,
        private AmountChangeWriter $cells,
        private WriteTurn $turn,
    ) {
        $this->connection = $manager->getConnection();
    }

    /**
     * Does it, and remembers how to undo it. What was undone before cannot be done again after this.
     *
     * The change is to be planned within the same write turn, else it may be about what is no longer so.
     */
    public function do(DatasetRecord $record, Change $change, string $who): int
    {
        return $this->turn->onDataset((int) $record->id, function (DatasetRecord $record) use ($change, $who): int {
            $this->connection->executeStatement('DELETE FROM dataset_change WHERE dataset = ? AND undone = 1', [
                $record->id,
            ]);
            $this->rows->apply($change->rows, true);
            $this->cells->do((int) $record->id, $change);
            $this->count($record, $change);
            $this->connection->insert('dataset_change', [
                'dataset' => $record->id,
                'at' => (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
                'who' => $who,
                'says' => mb_substr($change->says, 0, 400),
                'undone' => 0,
                'body' => $change->toJson(),
            ]);
            $id = (int) $this->connection->lastInsertId();
            $this->manager->clear();

            return $id;
        });
    }

    /**
     * @return array{says: string, skipped: int}|null what was undone, and how many amounts were left as they are,
     *                                                because they were changed since
     */
    public function undo(DatasetRecord $record): ?array
    {
        return $this->step(
            $record,
            'SELECT id, says, body FROM dataset_change WHERE dataset = ? AND undone = 0 ORDER BY id DESC LIMIT 1',
            false,
        );
    }

    /** @return array{says: string, skipped: int}|null */
    public function redo(DatasetRecord $record): ?array
    {
        return $this->step(
            $record,
            'SELECT id, says, body FROM dataset_change WHERE dataset = ? AND undone = 1 ORDER BY id LIMIT 1',
            true,
        );
    }

    /**
     * @return array{undo: ?string, redo: ?string, undoId: int} what the next step back and the next step on would be;
     *                                                          the number of the former, from 0 where there is none
     */
    public function state(DatasetRecord $record): array
    {
        $last = $this->connection->fetchAssociative(
            'SELECT id, says FROM dataset_change WHERE dataset = ? AND undone = 0 ORDER BY id DESC LIMIT 1',
            [$record->id],
        );
        $next = $this->connection->fetchOne(
            'SELECT says FROM dataset_change WHERE dataset = ? AND undone = 1 ORDER BY id LIMIT 1', [$record->id],
        );
        $id = false === $last ? 0 : $last['id'];

        return [
            'undo' => false === $last ? null : self::text($last['says']),
            'redo' => self::text($next),
            'undoId' => \is_int($id) ? $id : 0,
        ];
    }

    /** @return array{says: string, skipped: int}|null */
    private function step(DatasetRecord $record, string $sql, bool $forth): ?array
    {
        return $this->turn->onDataset((int) $record->id, function (DatasetRecord $record) use ($sql, $forth): ?array {
            $row = $this->connection->fetchAssociative($sql, [$record->id]);
            if (false === $row) {
                return null;
            }
            $change = Change::ofJson(self::text($row['says']) ?? '', self::text($row['body']) ?? '');
            if ($forth) {
                $this->rows->apply($change->rows, true);
                $skipped = $this->cells->do((int) $record->id, $change);
            } else {
                $skipped = $this->cells->undo((int) $record->id, $change);
                $this->rows->apply($change->rows, false);
            }
            $this->count($record, $change);
            $this->connection->update('dataset_change', ['undone' => $forth ? 0 : 1], ['id' => $row['id']]);
            $this->manager->clear();

            return ['says' => $change->says, 'skipped' => $skipped];
        });
    }

    private function count(DatasetRecord $record, Change $change): void
    {
        // Notes change nothing that the dataset is; nor do amounts, with the rows and decimals that they bring along.
        $isOfFigures =
            null !== $change->import
            || [] === array_filter($change->rows, static fn (TableRowChange $row): bool => 'note' !== $row->table);
        $counter = $isOfFigures ? 'revision' : 'version';
        $this->connection->executeStatement("UPDATE dataset SET $counter = $counter + 1, used_at = ? WHERE id = ?", [
            (new \DateTimeImmutable())->format('Y-m-d H:i:s'), $record->id,
        ]);
    }

    private static function text(mixed $value): ?string
    {
        return \is_string($value) ? $value : null;
    }
}

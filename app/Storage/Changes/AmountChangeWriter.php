<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Changes;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\SeriesWriter;
use KeenMargin\App\Storage\Series\TotalsPatch;
use KeenMargin\Core\Figures\Keeping\AmountChange;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\SeriesEdit;

/** Applies changed amounts, forwards or backwards, and keeps totals and coverage up to date. */
final readonly class AmountChangeWriter
{
    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store) {}

    /** @return int how many were left as they are, because they were changed meanwhile */
    public function do(int $dataset, Change $change): int
    {
        return $this->each($dataset, $change, SeriesEdit::do(...), 1);
    }

    public function undo(int $dataset, Change $change): int
    {
        return $this->each($dataset, $change, SeriesEdit::undo(...), -1);
    }

    /**
     * @param callable(Run, Run, list<AmountChange>, int): SeriesEdit $edit
     * @param int $by 1 forth, −1 back
     */
    private function each(int $dataset, Change $change, callable $edit, int $by): int
    {
        if (null === $change->import) {
            return 0;
        }
        $record =
            $this->manager->find(DatasetRecord::class, $dataset) ??
            throw new \LogicException("There is no dataset $dataset.");
        $scales = [];
        foreach ($record->measures as $measure) {
            $scales[(int) $measure->id] = $measure->scale;
        }
        $writer = new SeriesWriter($this->store->connection);
        $totals = [];
        $skipped = 0;
        $tally = ['added' => 0, 'replaced' => 0, 'removed' => 0];
        foreach ($change->series as $id => ['decimals' => $decimals, 'cells' => $cells]) {
            [$measure, $scenario, $members] = $this->store->keyOf($id);
            $power = ($scales[$measure] ?? $decimals) - $decimals;
            $scaled =
                0 === $power
                    ? $cells
                    : array_map(static fn (AmountChange $cell): AmountChange => $cell->scaled($power), $cells);
            $edited = $edit(
                $this->store->runs()->run($id),
                $this->store->runs()->log($change->import, $id),
                $scaled,
                $change->import,
            );
            $writer->run($id, $edited->after);
            $writer->log($change->import, $id, $edited->log);
            $skipped += \count($edited->skipped);
            foreach ($edited->done as $cell) {
                $totals[] = [$measure, $scenario, $members, $cell->start, $cell->was, $cell->is];
                [$was, $is] = $by > 0 ? [$cell->was, $cell->is] : [$cell->is, $cell->was];
                $tally[null === $was ? 'added' : (null === $is ? 'removed' : 'replaced')] += $by;
            }
        }
        $writer->flush();
        (new TotalsPatch($record, $this->store))->apply($totals);
        $this->store->connection->executeStatement('UPDATE dataset SET coverage = ?, fact_count = ? WHERE id = ?', [
            json_encode($record->coverage, \JSON_THROW_ON_ERROR), $record->factCount, $dataset,
        ]);
        $this->recount($change->import, $tally);

        return $skipped;
    }

    /**
     * What the import by hand has changed on the whole.
     *
     * @param array{added: int, replaced: int, removed: int} $tally
     */
    private function recount(int $import, array $tally): void
    {
        $part =
            $this->manager->find(ImportRecord::class, $import) ??
            throw new \LogicException("There is no import $import.");
        $record =
            null === $part->partOf
                ? $part
                : $this->manager->find(ImportRecord::class, $part->partOf) ??
                    throw new \LogicException("There is no import $part->partOf.");
        $counts = ['unchanged' => 0];
        foreach ($tally as $what => $number) {
            $counts[$what] = ($record->counts[$what] ?? 0) + $number;
        }
        $this->store->connection->executeStatement(
            'UPDATE import SET counts = ?, fact_count = ?, at = ? WHERE id = ?',
            [
                json_encode($counts, \JSON_THROW_ON_ERROR),
                $counts['added'] + $counts['replaced'],
                (new \DateTimeImmutable())->format('Y-m-d H:i:s'),
                $record->id,
            ],
        );
    }
}

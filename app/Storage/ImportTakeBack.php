<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\Core\Figures\Keeping\TakeBack;

/** Takes an import back: its figures go, those that it had replaced come back, what came later stays. */
final readonly class ImportTakeBack
{
    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store, private DatasetTotals $totals)
    {
    }

    /** @return array{gone: int, restored: int, overwritten: int} what taking it back would do */
    public function foresee(ImportRecord $import): array
    {
        return $this->each($import, static function (): void {});
    }

    /** @return array{gone: int, restored: int, overwritten: int} */
    public function do(ImportRecord $import): array
    {
        return $this->manager->wrapInTransaction(function () use ($import): array {
            $this->store->connection->executeStatement('UPDATE dataset SET used_at = used_at WHERE id = ?', [$import->dataset->id]);
            $writer = new SeriesWriter($this->store->connection);
            $done = $this->each($import, static function (int $series, TakeBack $taken) use ($writer): void {
                $writer->run($series, $taken->after);
                foreach ($taken->logs as $other => $log) {
                    $writer->log($other, $series, $log);
                }
            });
            $writer->flush();
            $this->store->connection->executeStatement('DELETE FROM touched WHERE import = ?', [$import->id]);
            $import->takenBackAt = new \DateTimeImmutable();
            $import->dataset->usedAt = new \DateTimeImmutable();
            $this->totals->make($import->dataset);
            $this->manager->flush();

            return $done;
        });
    }

    /**
     * @param callable(int, TakeBack): void $take
     *
     * @return array{gone: int, restored: int, overwritten: int}
     */
    private function each(ImportRecord $record, callable $take): array
    {
        $import = (int) $record->id;
        $done = ['gone' => 0, 'restored' => 0, 'overwritten' => 0];
        foreach ($this->store->seriesTouchedBy((int) $record->dataset->id, $import) as $series) {
            $taken = TakeBack::of($import, $this->store->run($series), $this->store->logs($series));
            $take($series, $taken);
            $done = ['gone' => $done['gone'] + $taken->gone, 'restored' => $done['restored'] + $taken->restored, 'overwritten' => $done['overwritten'] + \count($taken->overwritten)];
        }

        return $done;
    }
}

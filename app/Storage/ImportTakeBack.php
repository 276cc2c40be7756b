<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\TakeBack;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Takes an import back: its figures go, those that it had replaced come back, what came later stays. */
final readonly class ImportTakeBack
{
    /** So many of the overwritten figures are told by name. */
    private const NAMED = 12;

    public function __construct(private EntityManagerInterface $manager, private SeriesStore $store, private DatasetTotals $totals)
    {
    }

    /** @return array{gone: int, restored: int, overwritten: int, examples: list<string>} what taking it back would do; some of what was overwritten, by name */
    public function foresee(ImportRecord $import): array
    {
        $overwritten = [];
        $would = $this->each($import, static function (int $series, TakeBack $taken, Run $current) use (&$overwritten): void {
            foreach (\count($overwritten) < self::NAMED ? $taken->overwritten : [] as $start) {
                $overwritten[] = [$series, $start, $current->imports[$start] ?? null];
            }
        });

        return $would + ['examples' => array_map(fn (array $one): string => $this->named($import->dataset, ...$one), \array_slice($overwritten, 0, self::NAMED))];
    }

    /** `North, Aug 2026, AC: now as ledger-2026-09.csv has it` */
    private function named(DatasetRecord $record, int $series, int $start, ?int $by): string
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        [$measure, $scenario, $members] = $this->store->named($series);
        $period = PeriodNames::full(Period::ofStart($dataset->grain, $start, $dataset->calendar));
        $later = null === $by ? null : $this->manager->find(ImportRecord::class, $by)?->name;
        $what = array_filter([...$members, $period, $scenario->value, 1 === \count($dataset->measures) ? '' : $measure], static fn (string $text): bool => '' !== $text);

        return implode(', ', $what).(null === $later ? ': removed since' : ": now as $later has it");
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
            // No step leads back into what is gone.
            $this->store->connection->executeStatement("DELETE FROM dataset_change WHERE dataset = ? AND json_extract(body, '$.import') = CAST(? AS INTEGER)", [$import->dataset->id, $import->id]);
            $import->takenBackAt = new \DateTimeImmutable();
            $import->dataset->usedAt = new \DateTimeImmutable();
            $this->totals->make($import->dataset);
            $this->manager->flush();

            return $done;
        });
    }

    /**
     * @param callable(int, TakeBack, Run): void $take
     *
     * @return array{gone: int, restored: int, overwritten: int}
     */
    private function each(ImportRecord $record, callable $take): array
    {
        $import = (int) $record->id;
        $done = ['gone' => 0, 'restored' => 0, 'overwritten' => 0];
        foreach ($this->store->runs()->seriesTouchedBy((int) $record->dataset->id, $import) as $series) {
            $current = $this->store->runs()->run($series);
            $taken = TakeBack::of($import, $current, $this->store->runs()->logs($series));
            $take($series, $taken, $current);
            $done = ['gone' => $done['gone'] + $taken->gone, 'restored' => $done['restored'] + $taken->restored, 'overwritten' => $done['overwritten'] + \count($taken->overwritten)];
        }

        return $done;
    }
}

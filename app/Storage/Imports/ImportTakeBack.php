<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Series\DatasetTotals;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\SeriesWriter;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\App\Storage\Turn\DeletedMeanwhile;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\App\Work\CurrentJob;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Keeping\TakeBack;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\PeriodNames;

/** Takes an import back: its figures go, those that it had replaced come back, what came later stays. */
final readonly class ImportTakeBack
{
    /** So many of the overwritten figures are told by name. */
    private const NAMED = 12;
    private const NOTHING = ['gone' => 0, 'restored' => 0, 'overwritten' => 0];

    public function __construct(
        private EntityManagerInterface $manager,
        private SeriesStore $store,
        private DatasetTotals $totals,
        private WriteTurn $turn,
        private CurrentJob $job,
        private CameLog $came,
    ) {}

    /**
     * @return array{gone: int, restored: int, overwritten: int, examples: list<string>} what taking it back would do;
     *                                                                                   some of what was overwritten,
     *                                                                                   by name
     */
    public function foresee(ImportRecord $import): array
    {
        $overwritten = [];
        $would = self::NOTHING;
        foreach ($this->parts($import) as $part) {
            $would = self::sum(
                $would,
                $this->each($part, static function (int $series, TakeBack $taken, Run $current) use (
                    &$overwritten,
                ): void {
                    foreach (\count($overwritten) < self::NAMED ? $taken->overwritten : [] as $start) {
                        $overwritten[] = [$series, $start, $current->imports[$start] ?? null];
                    }
                }),
            );
        }

        return $would + [
            'examples' => array_map(
                fn (array $one): string => $this->named($import->dataset, ...$one),
                \array_slice($overwritten, 0, self::NAMED),
            ),
        ];
    }

    /** `North, Aug 2026, AC: now as ledger-2026-09.csv has it` */
    private function named(DatasetRecord $record, int $series, int $start, ?int $by): string
    {
        $dataset = (new StoredFigures($record, $this->store))->dataset();
        [$measure, $scenario, $members] = $this->store->named($series);
        $period = PeriodNames::full(Period::ofStart($dataset->grain, $start, $dataset->calendar));
        $later = null === $by ? null : $this->manager->find(ImportRecord::class, $by)?->name;
        $what = array_filter(
            [...$members, $period, $scenario->value, 1 === \count($dataset->measures) ? '' : $measure],
            static fn (string $text): bool => '' !== $text,
        );

        return implode(', ', $what).(null === $later ? ': removed since' : ": now as $later has it");
    }

    /**
     * @param bool $isConfirmed whether it is taken back also where later imports overwrote part of it
     *
     * @return array{gone: int, restored: int, overwritten: int}
     */
    public function do(ImportRecord $import, bool $isConfirmed): array
    {
        $id = (int) $import->id;

        return $this->turn->onDataset((int) $import->dataset->id, function () use ($id, $isConfirmed): array {
            $import =
                $this->manager->find(ImportRecord::class, $id) ??
                throw new DeletedMeanwhile("There is no import $id.");
            null === $import->takenBackAt || throw NotTakenBack::again($import->name);
            $done = self::NOTHING;
            foreach ($this->parts($import) as $part) {
                $done = self::sum($done, $this->one($part));
            }
            $isConfirmed || 0 === $done['overwritten'] || throw NotTakenBack::unconfirmed($done['overwritten']);
            $import->dataset->usedAt = new \DateTimeImmutable();
            $this->totals->make($import->dataset);
            $this->job->committing();

            return $done;
        });
    }

    /** @return array{gone: int, restored: int, overwritten: int} */
    private function one(ImportRecord $import): array
    {
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
        $this->store->connection->executeStatement(
            "DELETE FROM dataset_change WHERE dataset = ? AND json_extract(body, '$.import') = CAST(? AS INTEGER)",
            [$import->dataset->id, $import->id],
        );
        $this->came->forget((int) $import->id);
        $import->takenBackAt = new \DateTimeImmutable();

        return $done;
    }

    /** @return list<ImportRecord> the parts of an import by hand, the latest first; of others itself */
    private function parts(ImportRecord $import): array
    {
        $parts = $this->manager
            ->getRepository(ImportRecord::class)
            ->findBy(['partOf' => $import->id, 'takenBackAt' => null], ['id' => 'DESC']);

        return [...$parts, $import];
    }

    /**
     * @param array{gone: int, restored: int, overwritten: int} $one
     * @param array{gone: int, restored: int, overwritten: int} $other
     *
     * @return array{gone: int, restored: int, overwritten: int}
     */
    private static function sum(array $one, array $other): array
    {
        return [
            'gone' => $one['gone'] + $other['gone'],
            'restored' => $one['restored'] + $other['restored'],
            'overwritten' => $one['overwritten'] + $other['overwritten'],
        ];
    }

    /**
     * @param callable(int, TakeBack, Run): void $take
     *
     * @return array{gone: int, restored: int, overwritten: int}
     */
    private function each(ImportRecord $record, callable $take): array
    {
        $import = (int) $record->id;
        $done = self::NOTHING;
        $seen = 0;
        $all = $this->store->runs()->seriesTouchedBy((int) $record->dataset->id, $import);
        foreach ($all as $series) {
            $this->job->tell('series', ++$seen, \count($all));
            $current = $this->store->runs()->run($series);
            $taken = TakeBack::of($import, $current, $this->store->runs()->logs($series));
            $take($series, $taken, $current);
            $done = self::sum($done, [
                'gone' => $taken->gone,
                'restored' => $taken->restored,
                'overwritten' => \count($taken->overwritten),
            ]);
        }

        return $done;
    }
}

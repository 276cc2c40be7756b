<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Upkeep;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Import\ReadingShelf;
use KeenMargin\App\Jobs\JobShelf;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Names\FormerNames;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Wording;

/** Removes what nobody can reach any more, or what has outlived the time that it is kept for. Run at each start. */
final readonly class Tidy
{
    /** Days that steps can be taken back. */
    public const STEP_DAYS = 90;
    /** Steps of one dataset that can be taken back. */
    public const MOST_STEPS = 2_000;
    /** Days that something deleted can be brought back. */
    public const DELETED_DAYS = 30;
    /** Hours that temporary files of a request that was killed stay. */
    private const TEMPORARY_HOURS = 24;
    private const SERIES_AT_ONCE = 2_000;

    public function __construct(
        private Connection $connection,
        private WriteTurn $turn,
        private ImportKeeper $imports,
        private KeptFiles $files,
        private ReadingShelf $shelf,
        private JobShelf $jobs,
        private string $database,
    ) {}

    /** @return list<string> what went, as sentences */
    public function run(\DateTimeImmutable $now = new \DateTimeImmutable()): array
    {
        return Upkeep::alone($this->database, function () use ($now): array {
            $deletedBefore = $now->modify('-'.self::DELETED_DAYS.' days')->format('Y-m-d H:i:s');
            $datasets = $this->datasets($deletedBefore);
            $charts = $this->turn->take(function () use ($deletedBefore): int {
                (new FormerNames($this->connection))->loseDeleted('chart', $deletedBefore);

                return (int) $this->connection->executeStatement('DELETE FROM chart WHERE deleted_at < ?', [
                    $deletedBefore,
                ]);
            });
            $reports = (int) $this->connection->executeStatement(
                'DELETE FROM report WHERE deleted_at < ? AND NOT EXISTS (SELECT 1 FROM report_issue WHERE report = '.
                    'report.id)',
                [$deletedBefore],
            );
            $steps = $this->steps($now->modify('-'.self::STEP_DAYS.' days')->format(\DateTimeInterface::ATOM));
            $files = $this->turn->take(fn (): int => $this->files->sweep($this->imports->referred()));
            $this->shelf->clear();
            $this->jobs->clear();
            $temporary = self::temporary($now->getTimestamp() - 3600 * self::TEMPORARY_HOURS);
            $this->connection->executeStatement('PRAGMA optimize');
            $this->connection->executeStatement('PRAGMA wal_checkpoint(PASSIVE)');

            return array_values(
                array_filter([
                    $datasets > 0
                        ? Wording::count($datasets, 'dataset', 'datasets').
                            ' deleted more than '.
                            self::DELETED_DAYS.
                            ' days ago'
                        : '',
                    $charts > 0
                        ? Wording::count($charts, 'chart', 'charts').
                            ' deleted more than '.
                            self::DELETED_DAYS.
                            ' days ago'
                        : '',
                    $reports > 0
                        ? Wording::count($reports, 'report', 'reports').
                            ' deleted more than '.
                            self::DELETED_DAYS.
                            ' days ago'
                        : '',
                    $steps > 0
                        ? Wording::count($steps, 'step', 'steps').
                            ' that were older than '.
                            self::STEP_DAYS.
                            ' days, or more than the last '.
                            number_format(self::MOST_STEPS).
                            ' of a dataset'
                        : '',
                    $files > 0 ? Wording::count($files, 'file', 'files').' that no import refers to' : '',
                    $temporary > 0 ? Wording::count($temporary, 'temporary file', 'temporary files') : '',
                ]),
            );
        });
    }

    /** A large dataset goes a part at a time, so that others get their turn in between. */
    private function datasets(string $before): int
    {
        $gone = $this->connection->fetchFirstColumn('SELECT id FROM dataset WHERE deleted_at < ?', [$before]);
        foreach ($gone as $id) {
            do {
                $went = $this->connection->executeStatement(
                    'DELETE FROM series WHERE id IN (SELECT id FROM series WHERE dataset = ? LIMIT '.
                        self::SERIES_AT_ONCE.
                        ')',
                    [$id],
                );
            } while ($went > 0);
        }
        if ([] !== $gone) {
            $this->turn->take(function () use ($before): void {
                (new FormerNames($this->connection))->loseDeleted('dataset', $before);
                $this->connection->executeStatement('DELETE FROM dataset WHERE deleted_at < ?', [$before]);
            });
        }

        return \count($gone);
    }

    private function steps(string $before): int
    {
        $old = (int) $this->connection->executeStatement('DELETE FROM dataset_change WHERE at < ?', [$before]);
        foreach (
            $this->connection->fetchFirstColumn(
                'SELECT dataset FROM dataset_change GROUP BY dataset HAVING COUNT(*) > '.self::MOST_STEPS,
            ) as $dataset
        ) {
            $old += (int) $this->connection->executeStatement(
                'DELETE FROM dataset_change WHERE dataset = ? AND id <= (SELECT id FROM dataset_change WHERE dataset '.
                    '= ? ORDER BY id DESC LIMIT 1 OFFSET '.
                    self::MOST_STEPS.
                    ')',
                [$dataset, $dataset],
            );
        }

        return $old;
    }

    private static function temporary(int $before): int
    {
        $gone = 0;
        foreach (glob(sys_get_temp_dir().'/keen-*') ?: [] as $path) {
            if (is_file($path) && filemtime($path) < $before && @unlink($path)) {
                ++$gone;
            }
        }

        return $gone;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Imports;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Time\FiscalCalendar;
use KeenMargin\Core\Time\Grain;
use KeenMargin\Core\Time\Period;
use Psr\Clock\ClockInterface;

/**
 * When figures came first: of actuals, those of each period; of a plan, the first that came after the end of each
 * month, whatever periods it is about. An import that is taken back never came.
 */
final readonly class CameLog
{
    public function __construct(private Connection $connection, private ClockInterface $clock) {}

    /** @param array<string, list<int>> $covered starts of periods by scenario code, before the import */
    public function log(ImportRecord $import, FactTable $table, array $covered): void
    {
        $record = $import->dataset;
        if (Grain::Timeless->value === $record->grain) {
            return;
        }
        $new = array_diff($record->coverage[Scenario::Actual->value] ?? [], $covered[Scenario::Actual->value] ?? []);
        foreach (self::closings($record, $new) as $period) {
            $this->put($import, Scenario::Actual->value, $period);
        }
        $plans = array_unique(array_map(static fn ($series): string => $series->scenario->value, $table->series));
        foreach (array_diff($plans, [Scenario::Actual->value]) as $scenario) {
            $this->put($import, $scenario, $this->monthBefore());
        }
    }

    /** @return array<string, array<string, string>> when figures came, by scenario code and period: `2026-09-02` */
    public function of(int $dataset): array
    {
        $came = [];
        /** @var list<array{string, string, string}> $rows */
        $rows = $this->connection->fetchAllNumeric('SELECT scenario, period, at FROM came WHERE dataset = ?', [
            $dataset,
        ]);
        foreach ($rows as [$scenario, $period, $at]) {
            $came[$scenario][$period] = $at;
        }

        return $came;
    }

    /** Says when figures came, in place of what was known. */
    public function set(int $dataset, int $import, string $scenario, string $period, string $at): void
    {
        $key = ['dataset' => $dataset, 'scenario' => $scenario, 'period' => $period];
        $this->connection->delete('came', $key);
        $this->connection->insert('came', $key + ['at' => $at, 'import' => $import]);
    }

    public function forget(int $import): void
    {
        $this->connection->executeStatement('DELETE FROM came WHERE import = ?', [$import]);
    }

    private function put(ImportRecord $import, string $scenario, string $period): void
    {
        $this->connection->executeStatement(
            'INSERT OR IGNORE INTO came (dataset, scenario, period, at, import) VALUES (?, ?, ?, ?, ?)',
            [$import->dataset->id, $scenario, $period, $this->clock->now()->format('Y-m-d'), $import->id],
        );
    }

    /**
     * @param array<int, int> $starts
     *
     * @return list<string> keys of the periods by which the books are closed
     */
    private static function closings(DatasetRecord $record, array $starts): array
    {
        $calendar = new FiscalCalendar($record->firstMonth);
        $grain = Grain::from($record->grain);
        $keys = [];
        foreach ($starts as $start) {
            $period = Period::ofStart($grain, $start, $calendar);
            $keys[(Grain::Day === $grain ? $period->group(Grain::Month, $calendar) : $period)->key()] = true;
        }

        // The key of a year is a number to PHP.
        return array_map(strval(...), array_keys($keys));
    }

    private function monthBefore(): string
    {
        return $this->clock->now()->modify('first day of last month')->format('Y-m');
    }
}

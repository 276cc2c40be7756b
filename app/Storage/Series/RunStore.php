<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Series;

use KeenMargin\App\Storage\Connection\Queries;
use KeenMargin\Core\Figures\Keeping\Run;

/** Amounts of single series with the imports that they came with, and what imports found before them. */
final readonly class RunStore
{
    public function __construct(private Queries $queries) {}

    public function run(int $series): Run
    {
        $row = $this->queries->connection->fetchNumeric('SELECT amounts, imports FROM packed WHERE series = ?', [
            $series,
        ]);

        return self::asRun($row);
    }

    /**
     * @param list<int> $measures ids
     * @param list<array{int, list<int>, bool}> $where as for amounts()
     *
     * @return iterable<int, Run> by series
     */
    public function runsOf(int $dataset, array $measures, int $scenario, array $where): iterable
    {
        /** @var array{int, string, string} $row */
        foreach (
            $this->queries->connection
                ->executeQuery(
                    'SELECT p.series, p.amounts, p.imports FROM series s CROSS JOIN packed p ON p.series = s.id '
                        ."WHERE s.dataset = $dataset AND s.measure IN (".
                        Queries::list($measures).
                        ") AND s.scenario = $scenario".
                        Queries::conditions($where),
                )
                ->iterateNumeric() as $row
        ) {
            yield $row[0] => Run::unpack($row[1], $row[2]);
        }
    }

    /** @return array<int, string> packed amounts of all series of a dataset, by series */
    public function amountsOf(int $dataset): array
    {
        $amounts = [];
        /** @var array{int, string} $row */
        foreach (
            $this->queries->rows(
                'SELECT p.series, p.amounts FROM series s CROSS JOIN packed p ON p.series = s.id '.
                    "WHERE s.dataset = $dataset",
            ) as $row
        ) {
            $amounts[$row[0]] = $row[1];
        }

        return $amounts;
    }

    public function log(int $import, int $series): Run
    {
        return self::asRun($this->queries->connection->fetchNumeric(
            'SELECT amounts, imports FROM touched WHERE import = ? AND series = ?', [$import, $series],
        ));
    }

    /** @return array<int, Run> what each import that touched the series found before, by import, rising */
    public function logs(int $series): array
    {
        $logs = [];
        /** @var array{int, string, string} $row */
        foreach (
            $this->queries->connection
                ->executeQuery('SELECT import, amounts, imports FROM touched WHERE series = ? ORDER BY import', [
                    $series,
                ])
                ->iterateNumeric() as $row
        ) {
            $logs[$row[0]] = Run::unpack($row[1], $row[2]);
        }

        return $logs;
    }

    /**
     * Series that an import may have had a hand in: it found something in them, or amounts of it stand there, or a
     * later import found them.
     *
     * @return list<int>
     */
    public function seriesTouchedBy(int $dataset, int $import): array
    {
        $marked = bin2hex(pack('q', $import));

        /** @var list<int> */
        return $this->queries->connection->fetchFirstColumn(
            'SELECT series FROM touched WHERE import '
                ."= $import UNION SELECT t.series FROM series s CROSS JOIN touched t ON t.series = s.id WHERE "
                ."s.dataset = $dataset AND instr(t.imports, "
                ."x'$marked') > 0 UNION SELECT p.series FROM series s CROSS JOIN packed p ON p.series = s.id WHERE "
                ."s.dataset = $dataset AND instr(p.imports, x'$marked') > 0",
        );
    }

    private static function asRun(mixed $row): Run
    {
        return \is_array($row) && \is_string($row[0] ?? null) && \is_string($row[1] ?? null)
            ? Run::unpack($row[0], $row[1])
            : new Run();
    }
}

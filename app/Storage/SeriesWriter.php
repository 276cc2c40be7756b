<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Statement;
use KeenMargin\Core\Figures\Keeping\Run;

/** Writes many series with statements that are prepared once. */
final class SeriesWriter
{
    private readonly Statement $packed;
    private readonly Statement $gone;
    private readonly Statement $touched;
    private readonly Statement $total;

    public function __construct(Connection $connection)
    {
        $this->packed = $connection->prepare('INSERT INTO packed (series, amounts, imports) VALUES (?, ?, ?) ON CONFLICT (series) DO UPDATE SET amounts = excluded.amounts, imports = excluded.imports');
        $this->gone = $connection->prepare('DELETE FROM packed WHERE series = ?');
        $this->touched = $connection->prepare('INSERT INTO touched (import, series, amounts, imports) VALUES (?, ?, ?, ?) ON CONFLICT (import, series) DO UPDATE SET amounts = excluded.amounts, imports = excluded.imports');
        $this->total = $connection->prepare('INSERT INTO series_total (dataset, place, member, measure, scenario, amounts, counts) VALUES (?, ?, ?, ?, ?, ?, ?)');
    }

    public function run(int $series, Run $run): void
    {
        if ([] === $run->amounts) {
            self::send($this->gone, [$series]);

            return;
        }
        self::send($this->packed, [$series, ...$run->pack()]);
    }

    /** Amounts that all come with one import, as they were packed when they were read. */
    public function packed(int $series, string $amounts, int $import): void
    {
        self::send($this->packed, [$series, $amounts, pack('q', $import)]);
    }

    public function log(int $import, int $series, Run $before): void
    {
        self::send($this->touched, [$import, $series, ...[] === $before->amounts ? ['', ''] : $before->pack()]);
    }

    public function total(int $dataset, int $place, int $member, int $measure, int $scenario, string $amounts, string $counts): void
    {
        self::send($this->total, [$dataset, $place, $member, $measure, $scenario, $amounts, $counts]);
    }

    /** @param list<int|string> $values numbers, and bytes */
    private static function send(Statement $statement, array $values): void
    {
        foreach ($values as $i => $value) {
            $statement->bindValue($i + 1, $value, \is_int($value) ? ParameterType::INTEGER : ParameterType::LARGE_OBJECT);
        }
        $statement->executeStatement();
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Month;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;

/** Days off besides weekends, of the whole organisation. */
final readonly class HolidayStore
{
    public function __construct(private Connection $connection, private WriteTurn $turn) {}

    /** @return array<string, string> names by day, in calendar order: `2026-12-25` */
    public function all(): array
    {
        /** @var array<string, string> */
        return $this->connection->fetchAllKeyValue('SELECT day, name FROM holiday ORDER BY day');
    }

    public function workingDays(): WorkingDays
    {
        $days = [];
        foreach ($this->all() as $day => $name) {
            $days[Period::of((string) $day)->firstDay()] = $name;
        }

        return new WorkingDays($days);
    }

    /** @param array<string, string> $holidays names by day, in place of all that there were */
    public function replace(array $holidays): void
    {
        $this->turn->take(function () use ($holidays): void {
            $this->connection->executeStatement('DELETE FROM holiday');
            foreach ($holidays as $day => $name) {
                $this->connection->insert('holiday', ['day' => $day, 'name' => $name]);
            }
        });
    }
}

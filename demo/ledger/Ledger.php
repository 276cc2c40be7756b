<?php

declare(strict_types=1);

/** Entries of accounts by day, in an SQLite file of their own. Amounts are whole euros. */
final class Ledger
{
    public const PAGE = 500;
    private const FIRST_DAYS = __DIR__.'/../freight-customers.csv';

    public readonly PDO $database;

    public function __construct(string $file, string $firstDay)
    {
        $this->database = new PDO("sqlite:$file", null, null, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $this->database->exec('PRAGMA busy_timeout = 10000; PRAGMA journal_mode = WAL; PRAGMA synchronous = OFF');
        if ([] !== $this->database->query("SELECT 1 FROM sqlite_master WHERE name = 'clock'")->fetchAll()) {
            return;
        }
        $this->database->exec('BEGIN IMMEDIATE');
        $this->database->exec(
            'CREATE TABLE IF NOT EXISTS entry (id INTEGER PRIMARY KEY, day TEXT NOT NULL, customer TEXT NOT NULL, '.
                'amount INTEGER NOT NULL);
            CREATE INDEX IF NOT EXISTS entry_day ON entry (day, id);
            CREATE TABLE IF NOT EXISTS fault (name TEXT PRIMARY KEY, value TEXT NOT NULL);
            CREATE TABLE IF NOT EXISTS clock (day TEXT NOT NULL)',
        );
        if ([] === $this->database->query('SELECT day FROM clock')->fetchAll()) {
            $this->database->prepare('INSERT INTO clock VALUES (?)')->execute([$firstDay]);
            $this->begin();
        }
        $this->database->exec('COMMIT');
    }

    public function day(): string
    {
        return (string) $this->database->query('SELECT day FROM clock')->fetchColumn();
    }

    /** Moves the clock on; each working day that passes gets entries. */
    public function moveOn(string $to): string
    {
        $this->database->exec('BEGIN IMMEDIATE');
        $customers = $this->customers();
        for ($day = $this->day(); $day < $to; $day = self::next($day)) {
            $this->database->prepare('UPDATE clock SET day = ?')->execute([self::next($day)]);
            $chance = crc32($day);
            foreach (self::isWorking($day) ? $customers : [] as $i => $customer) {
                if (0 === ($chance >> $i) % 3) {
                    $this->add($day, $customer, 200 + crc32("$day $customer") % 900);
                }
            }
        }
        $this->database->exec('COMMIT');

        return $this->day();
    }

    /** Takes back a tenth of what three customers were charged in a month; the second time nothing is left to do. */
    public function restate(string $period): int
    {
        $key = "restated $period";
        $done = $this->database->prepare('SELECT 1 FROM fault WHERE name = ?');
        $done->execute([$key]);
        if (false !== $done->fetchColumn()) {
            return 0;
        }
        $changed = 0;
        foreach (array_slice($this->balances($period), 0, 3) as [$customer, $amount]) {
            $this->add("$period-28", $customer, -intdiv((int) $amount, 10));
            ++$changed;
        }
        $this->database->prepare('INSERT INTO fault VALUES (?, ?)')->execute([$key, '1']);

        return $changed;
    }

    public function rename(string $from, string $to): int
    {
        $statement = $this->database->prepare('UPDATE entry SET customer = ? WHERE customer = ?');
        $statement->execute([$to, $from]);

        return $statement->rowCount();
    }

    /** @param list<array{string, string, int}> $entries day, customer, amount; they stand in place of all others */
    public function put(array $entries): int
    {
        $this->database->exec('BEGIN IMMEDIATE');
        $this->database->exec('DELETE FROM entry');
        foreach ($entries as [$day, $customer, $amount]) {
            $this->add((string) $day, (string) $customer, (int) $amount);
        }
        $this->database->exec('COMMIT');

        return count($entries);
    }

    /** Entries of 36 months and many customers, in place of all others. */
    public function fill(int $rows): int
    {
        $this->database->exec('BEGIN IMMEDIATE');
        $this->database->exec('DELETE FROM entry');
        $perMonth = (int) ceil($rows / 36);
        for ($i = 0; $i < $rows; ++$i) {
            $month = intdiv($i, $perMonth);
            $customer = sprintf('Customer %05d', $i % $perMonth);
            $this->add(sprintf('%d-%02d-15', 2024 + intdiv($month, 12), 1 + $month % 12), $customer, 100 + $i % 9973);
        }
        $this->database->exec('COMMIT');

        return $rows;
    }

    /** @return list<array{string, string, int}> one more than a page where others follow */
    public function page(string $from, string $to, int $page): array
    {
        $statement = $this->database->prepare(
            'SELECT day, customer, amount FROM entry WHERE day BETWEEN ? AND ? ORDER BY day, id LIMIT ? OFFSET ?',
        );
        $statement->execute([$from, $to, self::PAGE + 1, self::PAGE * ($page - 1)]);

        return $statement->fetchAll(PDO::FETCH_NUM);
    }

    /** @return iterable<array{string, string, int}> */
    public function entries(string $from, string $to): iterable
    {
        $statement = $this->database->prepare(
            'SELECT day, customer, amount FROM entry WHERE day BETWEEN ? AND ? ORDER BY day, id',
        );
        $statement->execute([$from, $to]);
        $statement->setFetchMode(PDO::FETCH_NUM);

        return $statement;
    }

    /**
     * The same as lines of CSV.
     *
     * @return iterable<string>
     */
    public function lines(string $from, string $to): iterable
    {
        $name = "CASE WHEN instr(customer, '\"') + instr(customer, ',') THEN '\"' || replace(customer, '\"', '\"\"') ".
            "|| '\"' ELSE customer END";
        $statement = $this->database->prepare(
            "SELECT day || ',' || $name || ',' || amount FROM entry WHERE day BETWEEN ? AND ? ORDER BY day, id",
        );
        $statement->execute([$from, $to]);
        $statement->setFetchMode(PDO::FETCH_COLUMN, 0);

        return $statement;
    }

    /** @return list<array{string, int}> sums of a month by customer, the largest first */
    public function balances(string $period): array
    {
        $statement = $this->database->prepare(
            'SELECT customer, SUM(amount) FROM entry WHERE substr(day, 1, 7) = ? GROUP BY customer ORDER BY 2 DESC, 1',
        );
        $statement->execute([$period]);

        return $statement->fetchAll(PDO::FETCH_NUM);
    }

    private function add(string $day, string $customer, int $amount): void
    {
        static $statement = [];
        $id = spl_object_id($this->database);
        $statement[$id] ??= $this->database->prepare('INSERT INTO entry (day, customer, amount) VALUES (?, ?, ?)');
        $statement[$id]->execute([$day, $customer, $amount]);
    }

    /** @return list<string> */
    private function customers(): array
    {
        return $this->database
            ->query('SELECT DISTINCT customer FROM entry ORDER BY customer')
            ->fetchAll(PDO::FETCH_COLUMN);
    }

    /** Spreads each month of the demo's freight over three of its days, to the last euro. */
    private function begin(): void
    {
        $file = fopen(self::FIRST_DAYS, 'r');
        fgetcsv($file);
        while (false !== ($row = fgetcsv($file))) {
            [$month, $customer, $scenario, $amount] = $row;
            if ('Actual' !== $scenario) {
                continue;
            }
            $parts = [intdiv((int) $amount, 3), intdiv((int) $amount, 5)];
            $parts[] = (int) $amount - array_sum($parts);
            foreach ($parts as $i => $part) {
                $this->add(sprintf('%s-%02d', $month, 4 + 8 * $i + crc32($customer) % 7), $customer, $part);
            }
        }
        fclose($file);
    }

    private static function next(string $day): string
    {
        return (new DateTimeImmutable($day))->modify('+1 day')->format('Y-m-d');
    }

    private static function isWorking(string $day): bool
    {
        return (new DateTimeImmutable($day))->format('N') < 6;
    }
}

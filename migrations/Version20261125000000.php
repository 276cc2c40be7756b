<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use KeenMargin\Core\Figures\Keeping\Run;
use KeenMargin\Core\Figures\Series\PackedAmounts;

/**
 * Figures a series at a time: one row holds all amounts of a measure, scenario and members, packed. Imports remember
 * what
 * they changed, so that they can be taken back, and the header by which the next file of their kind is known.
 */
final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Packed series; imports that can be taken back';
    }

    public function up(Schema $schema): void
    {
        $this->connection->executeStatement(
            'CREATE TABLE series (id INTEGER PRIMARY KEY NOT NULL, dataset INTEGER NOT NULL REFERENCES dataset (id) '
                .'ON DELETE CASCADE, measure INTEGER NOT NULL, scenario INTEGER NOT NULL, m0 INTEGER NOT NULL, m1 '
                .'INTEGER NOT NULL, m2 INTEGER NOT NULL, m3 INTEGER NOT NULL, m4 INTEGER NOT NULL, m5 INTEGER NOT '
                .'NULL, m6 INTEGER NOT NULL, m7 INTEGER NOT NULL)',
        );
        $this->connection->executeStatement(
            'CREATE UNIQUE INDEX series_key ON series (dataset, measure, scenario, m0, m1, m2, m3, m4, m5, m6, m7)',
        );
        $this->connection->executeStatement(
            'CREATE TABLE packed (series INTEGER PRIMARY KEY NOT NULL REFERENCES series (id) ON DELETE CASCADE, '
                .'amounts BLOB NOT NULL, imports BLOB NOT NULL)',
        );
        $this->connection->executeStatement(
            'CREATE TABLE touched (import INTEGER NOT NULL REFERENCES import (id) ON DELETE CASCADE, series INTEGER '
                .'NOT NULL REFERENCES series (id) ON DELETE CASCADE, amounts BLOB NOT NULL, imports BLOB NOT NULL, '
                .'PRIMARY KEY (import, series)) WITHOUT ROWID',
        );
        $this->connection->executeStatement('CREATE INDEX touched_series ON touched (series, import)');
        $this->connection->executeStatement(
            'CREATE TABLE series_total (dataset INTEGER NOT NULL REFERENCES dataset (id) ON DELETE CASCADE, place '
                .'INTEGER NOT NULL, member INTEGER NOT NULL, measure INTEGER NOT NULL, scenario INTEGER NOT NULL, '
                .'amounts BLOB NOT NULL, counts BLOB NOT NULL, PRIMARY KEY (dataset, place, measure, scenario, '
                .'member)) WITHOUT ROWID',
        );
        $this->pack();
        $this->addSql('ALTER TABLE import ADD COLUMN mode VARCHAR(20) DEFAULT \'add\' NOT NULL');
        $this->addSql('ALTER TABLE import ADD COLUMN signature VARCHAR(40) DEFAULT \'\' NOT NULL');
        $this->addSql('ALTER TABLE import ADD COLUMN counts CLOB DEFAULT \'{}\' NOT NULL');
        $this->addSql('ALTER TABLE import ADD COLUMN kept_file VARCHAR(80) DEFAULT NULL');
        $this->addSql('ALTER TABLE import ADD COLUMN taken_back_at DATETIME DEFAULT NULL');
        $this->addSql('CREATE INDEX import_signature ON import (signature)');
        $this->addSql('CREATE INDEX import_digest ON import (digest)');
        $this->addSql('DROP TABLE fact_total');
        $this->addSql('DROP TABLE fact');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Packed series are not spread again.');
    }

    /** Figures that are there already, in the order of their key: one series after the other. */
    private function pack(): void
    {
        $columns = 'dataset, measure, scenario, m0, m1, m2, m3, m4, m5, m6, m7';
        $key = '';
        $amounts = $imports = [];
        foreach (
            $this->connection->iterateNumeric(
                "SELECT $columns, period, amount, import FROM fact ORDER BY dataset, measure, m0, m1, m2, m3, m4, "
                    .'m5, m6, m7, scenario, period',
            ) as $row
        ) {
            $numbers = array_map(static fn (mixed $cell): int => \is_int($cell) ? $cell : 0, $row);
            $own = "($columns) VALUES (".implode(', ', \array_slice($numbers, 0, -3)).')';
            if ($own !== $key) {
                $this->keep($key, $amounts, $imports);
                [$key, $amounts, $imports] = [$own, [], []];
            }
            [$start, $amount, $import] = \array_slice($numbers, -3);
            $amounts[$start] = $amount;
            $imports[$start] = $import;
        }
        $this->keep($key, $amounts, $imports);
        // Totals over all members; those by member are made at the next import.
        $totals = [];
        foreach (
            $this->connection->iterateNumeric(
                'SELECT dataset, measure, scenario, period, amount, facts FROM fact_total',
            ) as $row
        ) {
            [$dataset, $measure, $scenario, $start, $amount, $facts] = array_map(
                static fn (mixed $cell): int => \is_int($cell) ? $cell : 0,
                $row,
            );
            $totals["$dataset, -1, 0, $measure, $scenario"][0][$start] = $amount;
            $totals["$dataset, -1, 0, $measure, $scenario"][1][$start] = $facts;
        }
        foreach ($totals as $of => [$sums, $counts]) {
            $this->connection->executeStatement(
                "INSERT INTO series_total (dataset, place, member, measure, scenario, amounts, counts) VALUES ($of, "
                    .'?, ?)',
                [PackedAmounts::pack($sums), PackedAmounts::pack($counts)],
                [ParameterType::LARGE_OBJECT, ParameterType::LARGE_OBJECT],
            );
        }
    }

    /**
     * @param array<int, int> $amounts
     * @param array<int, int> $imports
     */
    private function keep(string $key, array $amounts, array $imports): void
    {
        if ([] === $amounts) {
            return;
        }
        $this->connection->executeStatement("INSERT INTO series $key");
        $id = (int) $this->connection->lastInsertId();
        $bytes = [ParameterType::INTEGER, ParameterType::LARGE_OBJECT, ParameterType::LARGE_OBJECT];
        $this->connection->executeStatement(
            'INSERT INTO packed VALUES (?, ?, ?)',
            [$id, ...(new Run($amounts, $imports))->pack()],
            $bytes,
        );
    }
}

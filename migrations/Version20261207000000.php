<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Sources that figures are fetched from, what they brought, and what a month waits for. */
final class Version20261207000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Sources, arrivals and the month';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE source (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, dataset_id INTEGER NOT NULL, '.
                'version INTEGER DEFAULT 1 NOT NULL, name VARCHAR(120) NOT NULL, kind VARCHAR(20) NOT NULL, '.
                'settings CLOB NOT NULL, secret VARCHAR(2000) DEFAULT NULL, mapping CLOB NOT NULL, '.
                'mode VARCHAR(20) NOT NULL, schedule CLOB NOT NULL, takes VARCHAR(20) NOT NULL, '.
                'look_back INTEGER NOT NULL, remembered CLOB NOT NULL, state VARCHAR(20) NOT NULL, '.
                'says VARCHAR(1000) NOT NULL, failures INTEGER NOT NULL, tried_at DATETIME DEFAULT NULL, '.
                'due_at DATETIME DEFAULT NULL, '.
                'CONSTRAINT fk_source_dataset FOREIGN KEY (dataset_id) REFERENCES dataset (id) ON DELETE CASCADE)',
        );
        $this->addSql('CREATE INDEX IDX_5F8A7F73D47C2D1B ON source (dataset_id)');
        $this->addSql(
            'CREATE TABLE arrival (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, source_id INTEGER NOT NULL, '.
                'at DATETIME NOT NULL, period VARCHAR(10) NOT NULL, scope VARCHAR(64) NOT NULL, '.
                'name VARCHAR(255) NOT NULL, digest VARCHAR(64) NOT NULL, kept_file VARCHAR(80) DEFAULT NULL, '.
                'mapping CLOB NOT NULL, signature VARCHAR(40) NOT NULL, state VARCHAR(20) NOT NULL, '.
                'says VARCHAR(1000) NOT NULL, counts CLOB NOT NULL, refusals CLOB NOT NULL, reason VARCHAR(1000) NOT '.
                'NULL, who VARCHAR(100) NOT NULL, decided_at DATETIME DEFAULT NULL, import_id INTEGER DEFAULT NULL, '.
                'CONSTRAINT fk_arrival_source FOREIGN KEY (source_id) REFERENCES source (id) ON DELETE CASCADE)',
        );
        $this->addSql('CREATE INDEX IDX_5BE55CB4953C1C61 ON arrival (source_id)');
        $this->addSql('CREATE INDEX arrival_state ON arrival (state)');
        $this->addSql(
            'CREATE TABLE came (dataset INTEGER NOT NULL, scenario VARCHAR(4) NOT NULL, period VARCHAR(10) NOT NULL, '.
                'at VARCHAR(10) NOT NULL, import INTEGER NOT NULL, PRIMARY KEY (dataset, scenario, period), '.
                'FOREIGN KEY (dataset) REFERENCES dataset (id) ON DELETE CASCADE) WITHOUT ROWID',
        );
        $this->addSql(
            'CREATE TABLE expectation (dataset INTEGER NOT NULL, scenario VARCHAR(4) NOT NULL, '.
                'working_day INTEGER NOT NULL, whom VARCHAR(120) NOT NULL, source INTEGER DEFAULT '.
                'NULL, PRIMARY KEY (dataset, scenario), '.
                'FOREIGN KEY (dataset) REFERENCES dataset (id) ON DELETE CASCADE, '.
                'FOREIGN KEY (source) REFERENCES source (id) ON DELETE SET NULL) WITHOUT ROWID',
        );
        $this->addSql(
            'CREATE TABLE not_coming (dataset INTEGER NOT NULL, scenario VARCHAR(4) NOT NULL, period VARCHAR(10) NOT '.
                'NULL, why VARCHAR(400) NOT NULL, who VARCHAR(100) NOT NULL, PRIMARY KEY (dataset, scenario, '.
                'period), FOREIGN KEY (dataset) REFERENCES dataset (id) ON DELETE CASCADE) WITHOUT ROWID',
        );
        $this->addSql(
            'CREATE TABLE month_closing (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, period VARCHAR(10) NOT NULL, '.
                'at VARCHAR(25) NOT NULL, who VARCHAR(100) NOT NULL, undone_at VARCHAR(25) DEFAULT NULL, '.
                'body CLOB NOT NULL)',
        );
        $this->addSql('CREATE TABLE holiday (day VARCHAR(10) PRIMARY KEY NOT NULL, name VARCHAR(120) NOT NULL)');
    }

    public function down(Schema $schema): void
    {
        foreach (['holiday', 'month_closing', 'not_coming', 'expectation', 'came', 'arrival', 'source'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}

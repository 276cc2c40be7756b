<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What is said about figures and how charts look: notes, named finishes, charts that can be brought back. */
final class Version20261127000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Notes, named finishes, deleted charts that can be brought back';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE note (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, dataset_id INTEGER NOT NULL, version '
                .'INTEGER NOT NULL, measure VARCHAR(200) NOT NULL, period VARCHAR(12) NOT NULL, place CLOB NOT NULL, '
                .'label VARCHAR(1200) NOT NULL, text CLOB NOT NULL, author VARCHAR(100) NOT NULL, at VARCHAR(30) NOT '
                .'NULL, changed_at VARCHAR(30) DEFAULT NULL, FOREIGN KEY (dataset_id) REFERENCES dataset (id) ON '
                .'UPDATE NO ACTION ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_CFBDFA14D47C2D1B ON note (dataset_id)');
        $this->addSql(
            'CREATE TABLE named_finish (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER DEFAULT 1 NOT '
                .'NULL, name VARCHAR(200) NOT NULL, finish CLOB NOT NULL, is_default BOOLEAN DEFAULT 0 NOT NULL)',
        );
        $this->addSql('CREATE UNIQUE INDEX UNIQ_936060E5E237E06 ON named_finish (name)');
        $this->addSql('ALTER TABLE chart ADD COLUMN deleted_at DATETIME DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('What was written is not undone by going back.');
    }
}

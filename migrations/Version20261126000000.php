<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Datasets that can be edited: groups, roles and merged members, former names, a log of changes, accepted checks. */
final class Version20261126000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Settings of datasets, changes that can be undone, checks';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE member ADD COLUMN parent_id INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE member ADD COLUMN role VARCHAR(10) DEFAULT NULL');
        $this->addSql('ALTER TABLE member ADD COLUMN merged_into INTEGER DEFAULT NULL');
        foreach (['member', 'measure', 'breakdown'] as $table) {
            $this->addSql("ALTER TABLE $table ADD COLUMN former CLOB DEFAULT '[]' NOT NULL");
        }
        $this->addSql('ALTER TABLE measure ADD COLUMN band INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE dataset ADD COLUMN revision INTEGER DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE dataset ADD COLUMN finest VARCHAR(10) DEFAULT NULL');
        $this->addSql('ALTER TABLE dataset ADD COLUMN deleted_at DATETIME DEFAULT NULL');
        $this->addSql('ALTER TABLE chart ADD COLUMN used_at DATETIME DEFAULT NULL');
        $this->addSql('UPDATE chart SET used_at = saved_at');
        $this->addSql("ALTER TABLE import ADD COLUMN who VARCHAR(100) DEFAULT '' NOT NULL");
        $this->addSql(
            'CREATE TABLE dataset_change (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, dataset INTEGER NOT NULL '
                .'REFERENCES dataset (id) ON DELETE CASCADE, at VARCHAR(30) NOT NULL, who VARCHAR(100) NOT NULL, '
                .'says VARCHAR(400) NOT NULL, undone INTEGER DEFAULT 0 NOT NULL, body CLOB NOT NULL)',
        );
        $this->addSql('CREATE INDEX dataset_change_of ON dataset_change (dataset, undone, id)');
        $this->addSql(
            'CREATE TABLE dataset_check (dataset INTEGER PRIMARY KEY NOT NULL REFERENCES dataset (id) ON DELETE '
                .'CASCADE, sign VARCHAR(40) NOT NULL, findings CLOB NOT NULL)',
        );
        $this->addSql(
            'CREATE TABLE accepted_check (dataset INTEGER NOT NULL REFERENCES dataset (id) ON DELETE CASCADE, '
                .'finding VARCHAR(80) NOT NULL, mark VARCHAR(40) NOT NULL, reason VARCHAR(500) NOT NULL, who '
                .'VARCHAR(100) NOT NULL, at VARCHAR(30) NOT NULL, PRIMARY KEY (dataset, finding)) WITHOUT ROWID',
        );
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('What was edited is not undone by going back.');
    }
}

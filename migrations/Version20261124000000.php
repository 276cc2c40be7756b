<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Datasets, their imports and charts; facts in one narrow table that is its own covering index, and their totals
 * over all members, which most questions are about.
 */
final class Version20261124000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Datasets, imports, charts and facts';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE measure (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, position INTEGER NOT NULL, name '
                .'VARCHAR(200) NOT NULL, unit VARCHAR(20) NOT NULL, scale INTEGER NOT NULL, grouping VARCHAR(10) NOT '
                .'NULL, better VARCHAR(4) DEFAULT NULL, numerator VARCHAR(200) DEFAULT NULL, denominator '
                .'VARCHAR(200) DEFAULT NULL, dataset_id INTEGER NOT NULL, CONSTRAINT FK_80071925D47C2D1B FOREIGN KEY '
                .'(dataset_id) REFERENCES dataset (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_80071925D47C2D1B ON measure (dataset_id)');
        $this->addSql(
            'CREATE TABLE import (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, at DATETIME NOT NULL, name '
                .'VARCHAR(255) NOT NULL, digest VARCHAR(64) NOT NULL, row_count INTEGER NOT NULL, fact_count INTEGER '
                .'NOT NULL, mapping CLOB NOT NULL, dataset_id INTEGER NOT NULL, CONSTRAINT FK_9D4ECE1DD47C2D1B '
                .'FOREIGN KEY (dataset_id) REFERENCES dataset (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY '
                .'IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_9D4ECE1DD47C2D1B ON import (dataset_id)');
        $this->addSql(
            'CREATE TABLE dataset (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER DEFAULT 1 NOT '
                .'NULL, closed_through VARCHAR(10) DEFAULT NULL, used_at DATETIME NOT NULL, fact_count INTEGER NOT '
                .'NULL, name VARCHAR(200) NOT NULL, organisation VARCHAR(200) NOT NULL, grain VARCHAR(10) NOT NULL, '
                .'first_month INTEGER NOT NULL, coverage CLOB NOT NULL, notices CLOB NOT NULL)',
        );
        $this->addSql(
            'CREATE TABLE breakdown (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, position INTEGER NOT NULL, name '
                .'VARCHAR(200) NOT NULL, dataset_id INTEGER NOT NULL, CONSTRAINT FK_B3969DA7D47C2D1B FOREIGN KEY '
                .'(dataset_id) REFERENCES dataset (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_B3969DA7D47C2D1B ON breakdown (dataset_id)');
        $this->addSql(
            'CREATE TABLE member (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, position INTEGER NOT NULL, name '
                .'VARCHAR(500) NOT NULL, breakdown_id INTEGER NOT NULL, CONSTRAINT FK_70E4FA7867F54C40 FOREIGN KEY '
                .'(breakdown_id) REFERENCES breakdown (id) ON DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_70E4FA7867F54C40 ON member (breakdown_id)');
        $this->addSql(
            'CREATE TABLE chart (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER DEFAULT 1 NOT NULL, '
                .'saved_at DATETIME NOT NULL, name VARCHAR(200) NOT NULL, recipe CLOB NOT NULL, dataset_id INTEGER '
                .'NOT NULL, CONSTRAINT FK_E5562A2AD47C2D1B FOREIGN KEY (dataset_id) REFERENCES dataset (id) ON '
                .'DELETE CASCADE NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
        $this->addSql('CREATE INDEX IDX_E5562A2AD47C2D1B ON chart (dataset_id)');
        $this->addSql(
            'CREATE TABLE fact (dataset INTEGER NOT NULL REFERENCES dataset (id) ON DELETE CASCADE, measure INTEGER '
                .'NOT NULL, scenario INTEGER NOT NULL, period INTEGER NOT NULL, m0 INTEGER NOT NULL, m1 INTEGER NOT '
                .'NULL, m2 INTEGER NOT NULL, m3 INTEGER NOT NULL, m4 INTEGER NOT NULL, m5 INTEGER NOT NULL, m6 '
                .'INTEGER NOT NULL, m7 INTEGER NOT NULL, amount INTEGER NOT NULL, import INTEGER NOT NULL, PRIMARY '
                .'KEY (dataset, measure, m0, m1, m2, m3, m4, m5, m6, m7, scenario, period)) WITHOUT ROWID',
        );
        $this->addSql(
            'CREATE TABLE fact_total (dataset INTEGER NOT NULL REFERENCES dataset (id) ON DELETE CASCADE, measure '
                .'INTEGER NOT NULL, scenario INTEGER NOT NULL, period INTEGER NOT NULL, amount INTEGER NOT NULL, '
                .'facts INTEGER NOT NULL, PRIMARY KEY (dataset, measure, scenario, period)) WITHOUT ROWID',
        );
    }

    public function down(Schema $schema): void
    {
        foreach (['fact_total', 'fact', 'chart', 'import', 'member', 'breakdown', 'measure', 'dataset'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}

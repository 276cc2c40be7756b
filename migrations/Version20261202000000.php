<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Reports, the versions that they had, the steps between these, and reports as they were issued. */
final class Version20261202000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Reports';
    }

    public function up(Schema $schema): void
    {
        foreach (
            [
                'CREATE TABLE report (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, version INTEGER NOT NULL, title '.
                    'VARCHAR(200) NOT NULL, document CLOB NOT NULL, saved_at DATETIME NOT NULL, used_at DATETIME NOT '.
                    'NULL, deleted_at DATETIME DEFAULT NULL)',
                'CREATE TABLE report_version (report INTEGER NOT NULL REFERENCES report (id) ON DELETE CASCADE, '.
                    'version INTEGER NOT NULL, document CLOB NOT NULL, PRIMARY KEY (report, version))',
                'CREATE TABLE report_step (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, report INTEGER NOT NULL '.
                    'REFERENCES report (id) ON DELETE CASCADE, at VARCHAR(30) NOT NULL, who VARCHAR(100) NOT NULL, '.
                    'says VARCHAR(400) NOT NULL, undone INTEGER NOT NULL, was INTEGER NOT NULL, became INTEGER NOT '.
                    'NULL, closings CLOB NOT NULL)',
                'CREATE INDEX report_step_report ON report_step (report, undone, id)',
                'CREATE TABLE report_issue (id INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, report INTEGER NOT NULL '.
                    'REFERENCES report (id) ON DELETE CASCADE, number INTEGER NOT NULL, title VARCHAR(200) NOT NULL, '.
                    'closing VARCHAR(20) NOT NULL, at VARCHAR(30) NOT NULL, who VARCHAR(100) NOT NULL, document CLOB '.
                    'NOT NULL, snapshot CLOB NOT NULL, pages CLOB NOT NULL, sources CLOB NOT NULL, pdf BLOB NOT NULL)',
                'CREATE UNIQUE INDEX report_issue_number ON report_issue (report, number)',
                'CREATE TABLE report_check (report INTEGER NOT NULL PRIMARY KEY REFERENCES report (id) ON DELETE '.
                    'CASCADE, sign VARCHAR(64) NOT NULL, findings CLOB NOT NULL)',
            ] as $sql
        ) {
            $this->addSql($sql);
        }
    }

    public function down(Schema $schema): void
    {
        foreach (['report_check', 'report_issue', 'report_step', 'report_version', 'report'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
    }
}

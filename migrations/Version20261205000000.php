<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Issued reports are kept in several formats, each a row. */
final class Version20261205000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Files of issued reports by format';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE issue_file (issue INTEGER NOT NULL REFERENCES report_issue (id) ON DELETE CASCADE, format '.
                'VARCHAR(10) NOT NULL, bytes BLOB NOT NULL, PRIMARY KEY (issue, format))',
        );
        $this->addSql("INSERT INTO issue_file (issue, format, bytes) SELECT id, 'pdf', pdf FROM report_issue");
        $this->addSql('ALTER TABLE report_issue DROP COLUMN pdf');
    }

    public function down(Schema $schema): void
    {
        $this->addSql("ALTER TABLE report_issue ADD COLUMN pdf BLOB NOT NULL DEFAULT ''");
        $this->addSql(
            'UPDATE report_issue SET pdf = COALESCE((SELECT bytes FROM issue_file WHERE issue = report_issue.id AND '.
                "format = 'pdf'), '')",
        );
        $this->addSql('DROP TABLE issue_file');
    }
}

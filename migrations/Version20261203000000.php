<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * What is known of the store itself: its epoch, which each restoration renews; and blocks of versions of reports, each
 * kept once however many versions have it.
 */
final class Version20261203000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The epoch of the store, and blocks of versions of reports';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE IF NOT EXISTS store (id INTEGER PRIMARY KEY NOT NULL, epoch INTEGER NOT NULL)');
        $this->addSql('INSERT OR IGNORE INTO store (id, epoch) VALUES (1, 0)');
        $this->addSql(
            'CREATE TABLE report_part (report INTEGER NOT NULL REFERENCES report (id) ON DELETE CASCADE, digest '.
                'VARCHAR(40) NOT NULL, json CLOB NOT NULL, PRIMARY KEY (report, digest))',
        );
    }

    public function down(Schema $schema): void
    {
        // Versions that refer to blocks cannot be read without them.
        $this->addSql('DELETE FROM report_step WHERE was IN (SELECT version FROM report_version WHERE report = '.
            "report_step.report AND document LIKE '%\"@part\"%')");
        $this->addSql("DELETE FROM report_version WHERE document LIKE '%\"@part\"%'");
        $this->addSql('DROP TABLE report_part');
        $this->addSql('DROP TABLE store');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The organisation's own template of slides. */
final class Version20261206000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Template of slides';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE deck_template (id INTEGER PRIMARY KEY NOT NULL, name VARCHAR(200) NOT NULL, digest CHAR(64) '.
                'NOT NULL, layout VARCHAR(200) NOT NULL, roles CLOB NOT NULL, bytes BLOB NOT NULL)',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE deck_template');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Measures have bands that their values are judged by. */
final class Version20261201000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Bands of measures';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE measure ADD COLUMN bands CLOB DEFAULT '[]' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE measure DROP COLUMN bands');
    }
}

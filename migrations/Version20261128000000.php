<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The second rule of a measure: how the amounts of several members become one. */
final class Version20261128000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Measures have a rule over members besides the one over periods';
    }

    public function up(Schema $schema): void
    {
        // Members were always added up, so that datasets go on showing what they show.
        $this->addSql("ALTER TABLE measure ADD COLUMN over_members VARCHAR(10) DEFAULT 'sum' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE measure DROP COLUMN over_members');
    }
}

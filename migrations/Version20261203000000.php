<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What is known of the store itself: its epoch, which each restoration renews. */
final class Version20261203000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The epoch of the store';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE IF NOT EXISTS store (id INTEGER PRIMARY KEY NOT NULL, epoch INTEGER NOT NULL)');
        $this->addSql('INSERT OR IGNORE INTO store (id, epoch) VALUES (1, 0)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE store');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use KeenMargin\App\Storage\Names\Numbering\Numbering;

/** What is kept refers to measures, breakdowns and members by number; the names that they had are kept. */
final class Version20261204000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'References by number';
    }

    public function up(Schema $schema): void
    {
        $this->connection->executeStatement(
            'CREATE TABLE former_name (id INTEGER PRIMARY KEY NOT NULL, kind VARCHAR(10) NOT NULL, bearer INTEGER '.
                'NOT NULL, owner INTEGER NOT NULL, name VARCHAR(500) NOT NULL)',
        );
        $this->connection->executeStatement('CREATE INDEX former_name_sought ON former_name (kind, owner, name)');
        $this->connection->executeStatement('CREATE INDEX former_name_bearer ON former_name (kind, bearer)');
        foreach ((new Numbering($this->connection))->run() as $unresolved) {
            // Also where the migration is run quietly, as each start does.
            fwrite(\STDERR, "$unresolved\n");
        }
        // All is done already: names are looked up while numbers are written.
        $this->addSql('SELECT 1');
    }

    public function down(Schema $schema): void
    {
        (new Numbering($this->connection))->undo();
        $this->connection->executeStatement('DROP TABLE former_name');
        $this->addSql('SELECT 1');
    }
}

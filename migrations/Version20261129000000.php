<?php

declare(strict_types=1);

namespace KeenMargin\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Names that must be unique are held so by the database; imports by hand may have parts; jobs leave a sign that they
 * were done.
 */
final class Version20261129000000 extends AbstractMigration
{
    private const UNIQUE = ['member' => 'breakdown_id', 'measure' => 'dataset_id', 'breakdown' => 'dataset_id'];

    public function getDescription(): string
    {
        return 'Unique names of members, measures and breakdowns; parts of imports by hand; jobs that were done';
    }

    public function up(Schema $schema): void
    {
        foreach (self::UNIQUE as $table => $of) {
            // Of two that bear one name, the later one is told apart by its number. Nothing is merged: their amounts
            // may differ.
            $this->addSql(
                "UPDATE $table SET name = name || ' (' || id || ')' WHERE EXISTS (SELECT 1 "
                    ."FROM $table other WHERE "
                    ."other.$of = $table.$of AND other.name = $table.name AND other.id < $table.id)",
            );
            $this->addSql("CREATE UNIQUE INDEX {$table}_name ON $table ($of, name)");
        }
        // Members are read whole, in their order; what few of them have is found without reading the others' names.
        $this->addSql('CREATE INDEX member_order ON member (breakdown_id, position, name)');
        $this->addSql('CREATE INDEX member_traits ON member (breakdown_id, merged_into, parent_id, role, former)');
        $this->addSql('ALTER TABLE import ADD COLUMN part_of INTEGER DEFAULT NULL');
        $this->addSql(
            'CREATE TABLE job_done (id VARCHAR(24) PRIMARY KEY NOT NULL, at VARCHAR(30) NOT NULL) WITHOUT ROWID',
        );
    }

    public function down(Schema $schema): void
    {
        foreach (array_keys(self::UNIQUE) as $table) {
            $this->addSql("DROP INDEX {$table}_name");
        }
        $this->addSql('DROP INDEX member_order');
        $this->addSql('DROP INDEX member_traits');
        $this->addSql('ALTER TABLE import DROP COLUMN part_of');
        $this->addSql('DROP TABLE job_done');
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Like;

/** Looks through reports, charts, datasets, measures, breakdowns, members, notes and imports by their names. */
final readonly class NameSearch
{
    private const WHERE = [
        'report' => 'SELECT r.id, r.title AS name, \'\' AS within, 0 AS dataset FROM report r WHERE '.
            'r.deleted_at IS NULL AND r.title LIKE :like ESCAPE \'!\' ORDER BY r.title LIKE :start ESCAPE \'!\' DESC, '.
            'r.used_at DESC',
        'chart' => 'SELECT c.id, c.name, d.name AS within, d.id AS dataset FROM chart c JOIN dataset d ON d.id = '.
            'c.dataset_id WHERE d.deleted_at IS NULL AND c.deleted_at IS NULL AND c.name LIKE :like ESCAPE \'!\' '.
            'ORDER BY c.name LIKE :start ESCAPE \'!\' DESC, c.saved_at DESC',
        'dataset' => 'SELECT d.id, d.name, d.organisation AS within, d.id AS dataset FROM dataset d WHERE '.
            'd.deleted_at IS NULL AND (d.name LIKE :like ESCAPE \'!\' OR d.organisation LIKE :like ESCAPE \'!\') '.
            'ORDER BY d.name LIKE :start ESCAPE \'!\' DESC, d.used_at DESC',
        'measure' => 'SELECT m.id, m.name, d.name AS within, d.id AS dataset FROM measure m JOIN dataset d ON d.id = '.
            'm.dataset_id WHERE d.deleted_at IS NULL AND m.name LIKE :like ESCAPE \'!\' ORDER BY m.name LIKE '.
            ':start ESCAPE \'!\' DESC, d.used_at DESC',
        'breakdown' => 'SELECT b.id, b.name, d.name AS within, d.id AS dataset FROM breakdown b JOIN dataset d ON '.
            'd.id = b.dataset_id WHERE d.deleted_at IS NULL AND b.name LIKE :like ESCAPE \'!\' ORDER BY b.name '.
            'LIKE :start ESCAPE \'!\' DESC, d.used_at DESC',
        'member' => 'SELECT m.id, m.name, b.name || \' of \' || d.name AS within, d.id AS dataset FROM member m JOIN '.
            'breakdown b ON b.id = m.breakdown_id JOIN dataset d ON d.id = b.dataset_id WHERE d.deleted_at IS NULL '.
            'AND m.name LIKE :like ESCAPE \'!\' ORDER BY m.name LIKE :start ESCAPE \'!\' DESC, d.used_at DESC',
        'note' => 'SELECT n.id, n.text AS name, n.label || \' of \' || d.name AS within, d.id AS dataset FROM note n '.
            'JOIN dataset d ON d.id = n.dataset_id WHERE d.deleted_at IS NULL AND (n.text LIKE :like ESCAPE \'!\' '.
            'OR n.author LIKE :like ESCAPE \'!\') ORDER BY n.text LIKE :start ESCAPE \'!\' DESC, n.id DESC',
        'import' => 'SELECT i.id, i.name, d.name AS within, d.id AS dataset FROM import i JOIN dataset d ON d.id = '.
            'i.dataset_id WHERE d.deleted_at IS NULL AND i.name LIKE :like ESCAPE \'!\' ORDER BY i.name LIKE '.
            ':start ESCAPE \'!\' DESC, i.id DESC',
    ];

    public function __construct(private Connection $connection)
    {
    }

    /**
     * What has the sought text in its name, by kinds; of each those first that begin with it.
     *
     * @param int $most of each kind
     *
     * @return list<array<string, mixed>> with `kind`, `id`, `name`, `within` and `dataset`
     */
    public function find(string $sought, int $most): array
    {
        $parameters = ['like' => Like::within($sought), 'start' => Like::start($sought)];
        $found = [];
        foreach (self::WHERE as $kind => $sql) {
            foreach ($this->connection->fetchAllAssociative("$sql LIMIT $most", $parameters) as $row) {
                $found[] = ['kind' => $kind] + $row;
            }
        }

        return $found;
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Like;

/** Looks through reports, charts, datasets, measures, breakdowns, members, notes and imports by their names. */
final readonly class NameSearch
{
    /** What is sought of each kind: its columns and tables, the texts it is found by, and what comes first. */
    private const WHERE = [
        'report' => [
            'r.id, r.title AS name, \'\' AS within, 0 AS dataset FROM report r WHERE r.deleted_at IS NULL',
            ['r.title'],
            'r.used_at DESC',
        ],
        'chart' => [
            'c.id, c.name, d.name AS within, d.id AS dataset FROM chart c JOIN dataset d ON d.id = c.dataset_id '.
                'WHERE d.deleted_at IS NULL AND c.deleted_at IS NULL',
            ['c.name'],
            'c.saved_at DESC',
        ],
        'dataset' => [
            'd.id, d.name, d.organisation AS within, d.id AS dataset FROM dataset d WHERE d.deleted_at IS NULL',
            ['d.name', 'd.organisation'],
            'd.used_at DESC',
        ],
        'measure' => [
            'm.id, m.name, d.name AS within, d.id AS dataset FROM measure m JOIN dataset d ON d.id = m.dataset_id '.
                'WHERE d.deleted_at IS NULL',
            ['m.name'],
            'd.used_at DESC',
        ],
        'breakdown' => [
            'b.id, b.name, d.name AS within, d.id AS dataset FROM breakdown b JOIN dataset d ON d.id = b.dataset_id '.
                'WHERE d.deleted_at IS NULL',
            ['b.name'],
            'd.used_at DESC',
        ],
        'member' => [
            'm.id, m.name, b.name || \' of \' || d.name AS within, d.id AS dataset FROM member m JOIN breakdown b '.
                'ON b.id = m.breakdown_id JOIN dataset d ON d.id = b.dataset_id WHERE d.deleted_at IS NULL',
            ['m.name'],
            'd.used_at DESC',
        ],
        'note' => [
            'n.id, n.text AS name, n.label || \' of \' || d.name AS within, d.id AS dataset FROM note n '.
                'JOIN dataset d ON d.id = n.dataset_id WHERE d.deleted_at IS NULL',
            ['n.text', 'n.author'],
            'n.id DESC',
        ],
        'import' => [
            'i.id, i.name, d.name AS within, d.id AS dataset FROM import i JOIN dataset d ON d.id = i.dataset_id '.
                'WHERE d.deleted_at IS NULL',
            ['i.name'],
            'i.id DESC',
        ],
    ];

    public function __construct(private Connection $connection) {}

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
        foreach (self::WHERE as $kind => [$from, $texts, $order]) {
            $holds = Like::any($texts, 'like');
            $begins = Like::any([$texts[0]], 'start');
            $sql = "SELECT $from AND $holds ORDER BY $begins DESC, $order LIMIT $most";
            foreach ($this->connection->fetchAllAssociative($sql, $parameters) as $row) {
                $found[] = ['kind' => $kind] + $row;
            }
        }

        return $found;
    }
}

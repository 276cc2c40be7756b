<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\DBAL\Connection;

/**
 * Versions of a report share most of their blocks: each block is kept once, under its digest, and versions refer to it
 * as `{"@part": "DIGEST"}`. Hundreds of versions of a large report then take little more than one.
 */
final readonly class VersionParts
{
    private const KEY = '@part';
    /** Bytes below which a block is not worth a row of its own. */
    private const LEAST = 160;

    public function __construct(private Connection $connection) {}

    /**
     * @param array<string, mixed> $document
     *
     * @return string JSON of the same with references to its blocks, which are kept
     */
    public function pack(int $report, array $document): string
    {
        $pack = function (array $block) use ($report): array {
            $json = self::json($block);
            if (\strlen($json) < self::LEAST) {
                return $block;
            }
            $digest = hash('xxh128', $json);
            $this->connection->executeStatement(
                'INSERT INTO report_part (report, digest, json) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
                [$report, $digest, $json],
            );

            return [self::KEY => $digest];
        };

        return self::json(self::eachBlock($document, $pack));
    }

    /** @return array<string, mixed> */
    public function unpack(int $report, string $json): array
    {
        $document = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $document */
        $document = \is_array($document) ? $document : [];
        if (!str_contains($json, '"'.self::KEY.'"')) {
            return $document;
        }
        /** @var array<string, string> $parts */
        $parts = $this->connection->fetchAllKeyValue('SELECT digest, json FROM report_part WHERE report = ?', [
            $report,
        ]);

        return self::eachBlock($document, static function (array $block) use ($parts): array {
            $digest = $block[self::KEY] ?? null;
            $part = \is_string($digest) ? json_decode($parts[$digest] ?? '', true) : null;

            return \is_array($part) ? $part : $block;
        });
    }

    /** Removes blocks that no version refers to any more. */
    public function tidy(int $report): void
    {
        $this->connection->executeStatement(
            'DELETE FROM report_part WHERE report = ? AND NOT EXISTS (SELECT 1 FROM report_version v WHERE '.
                'v.report = report_part.report AND INSTR(v.document, report_part.digest) > 0)',
            [$report],
        );
    }

    /**
     * @param array<string, mixed> $document
     * @param callable(array<mixed>): array<mixed> $change
     *
     * @return array<string, mixed>
     */
    private static function eachBlock(array $document, callable $change): array
    {
        $lists = static fn (mixed $list, callable $each): mixed => \is_array($list) ? array_map($each, $list) : $list;
        $row = static fn (mixed $row): mixed => !\is_array($row) || !isset($row['blocks'])
            ? $row
            : [
                ...$row,
                'blocks' => $lists(
                    $row['blocks'],
                    static fn (mixed $block): mixed => \is_array($block) ? $change($block) : $block,
                ),
            ];
        $page = static fn (mixed $page): mixed => !\is_array($page) || !isset($page['rows'])
            ? $page
            : [...$page, 'rows' => $lists($page['rows'], $row)];

        return isset($document['pages']) ? [...$document, 'pages' => $lists($document['pages'], $page)] : $document;
    }

    /** @param array<mixed> $of */
    private static function json(array $of): string
    {
        return json_encode($of, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }
}

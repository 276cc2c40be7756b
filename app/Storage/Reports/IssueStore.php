<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;

/** Reports as they were issued. Nothing here is ever changed. */
final readonly class IssueStore
{
    private const BRIEF = 'number, title, closing, at, who';

    public function __construct(private Connection $connection) {}

    /** @return int its number within the report, from 1 */
    public function add(int $report, IssuedReport $issued): int
    {
        $last = $this->connection->fetchOne('SELECT MAX(number) FROM report_issue WHERE report = ?', [$report]);
        $number = 1 + (is_numeric($last) ? (int) $last : 0);
        $this->connection->insert('report_issue', [
            'report' => $report,
            'number' => $number,
            'title' => $issued->title,
            'closing' => $issued->closing,
            'at' => $issued->at,
            'who' => $issued->who,
            'document' => $issued->document,
            'snapshot' => $issued->snapshot,
            'pages' => $issued->pages,
            'sources' => $issued->sources,
        ]);
        $id = (int) $this->connection->lastInsertId();
        foreach ($issued->files as $format => $bytes) {
            $this->connection->insert(
                'issue_file',
                ['issue' => $id, 'format' => $format, 'bytes' => $bytes],
                ['bytes' => ParameterType::LARGE_OBJECT],
            );
        }

        return $number;
    }

    /** @return list<array<string, mixed>> the latest first, without what is in them */
    public function list(int $report): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT '.self::BRIEF.' FROM report_issue WHERE report = ? ORDER BY number DESC', [$report],
        );
    }

    /** @return array<string, mixed>|null what a list tells of it; null: there is none of this number */
    public function maybeBrief(int $report, int $number): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT '.self::BRIEF.' FROM report_issue WHERE report = ? AND number = ?', [$report, $number],
        );

        return false === $row ? null : $row;
    }

    /**
     * One part of it, as it was kept.
     *
     * @param 'document'|'snapshot'|'pages'|'sources' $part
     *
     * @return ?string null: there is none of this number
     */
    public function maybePart(int $report, int $number, string $part): ?string
    {
        $sought = "SELECT $part FROM report_issue WHERE report = ? AND number = ?";

        return self::whole($this->connection->fetchOne($sought, [$report, $number]));
    }

    /**
     * It as a file, as it went out.
     *
     * @param string $format ending of the file
     *
     * @return ?string null: there is none of this number, or it was not kept in that format
     */
    public function maybeFile(int $report, int $number, string $format): ?string
    {
        return self::whole($this->connection->fetchOne(
            'SELECT bytes FROM issue_file JOIN report_issue ON report_issue.id = issue WHERE report = ? AND '.
                'number = ? AND format = ?',
            [$report, $number, $format],
        ));
    }

    private static function whole(mixed $value): ?string
    {
        return match (true) {
            \is_resource($value) => (string) stream_get_contents($value),
            \is_string($value) => $value,
            default => null,
        };
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\DBAL\Connection;
use KeenMargin\Core\Report\Merging\ReportMerge;

/** The versions of reports and the steps between them, so that changes are undone and brought together. */
final readonly class ReportSteps
{
    /** Versions of one report that are kept. */
    private const MOST_VERSIONS = 400;

    /** Versions after which blocks that none of them has any more are removed. */
    private const TIDIED_EVERY = 50;

    private VersionParts $parts;

    public function __construct(private Connection $connection)
    {
        $this->parts = new VersionParts($connection);
    }

    /** @param array<string, mixed> $document */
    public function keepVersion(int $report, int $version, array $document): void
    {
        $this->connection->insert('report_version', [
            'report' => $report,
            'version' => $version,
            'document' => $this->parts->pack($report, $document),
        ]);
        $oldest = $version - self::MOST_VERSIONS;
        if ($oldest > 0) {
            $this->connection->executeStatement('DELETE FROM report_version WHERE report = ? AND version <= ?', [
                $report, $oldest,
            ]);
            $this->connection->executeStatement('DELETE FROM report_step WHERE report = ? AND was <= ?', [
                $report, $oldest,
            ]);
            0 === $version % self::TIDIED_EVERY && $this->parts->tidy($report);
        }
    }

    /**
     * Puts what a change of a dataset does to a report on top of whatever was changed in it since. Where both changed
     * the same, the report stays as it is.
     *
     * @param string $before JSON of the document before the change, and after it
     */
    public function rewrite(int $report, string $before, string $after): void
    {
        $row = $this->connection->fetchAssociative('SELECT version, document FROM report WHERE id = ?', [$report]);
        if (false === $row || !\is_string($row['document']) || !is_numeric($row['version'])) {
            return;
        }
        $read = static function (string $json): array {
            $document = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);

            /** @var array<string, mixed> */
            return \is_array($document) ? $document : [];
        };
        $merged = ReportMerge::of($read($before), $read($after), $read($row['document']));
        $version = (int) $row['version'] + 1;
        $this->connection->update(
            'report',
            [
                'version' => $version,
                'document' => json_encode($merged->document, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            ],
            ['id' => $report],
        );
        $this->keepVersion($report, $version, $merged->document);
    }

    /** @return array<string, mixed>|null null where it is not kept any more */
    public function maybeVersion(int $report, int $version): ?array
    {
        $json = $this->connection->fetchOne(
            'SELECT document FROM report_version WHERE report = ? AND version = ?', [$report, $version],
        );

        return \is_string($json) ? $this->parts->unpack($report, $json) : null;
    }

    /** Whether a version that is not kept any more was one of this report: older than what is kept, not invented. */
    public function wasThere(int $report, int $version, int $current): bool
    {
        $epoch = $this->connection->fetchOne('SELECT epoch FROM store WHERE id = 1');

        return $version > (is_numeric($epoch) ? (int) $epoch : 0) && $version < $current;
    }

    /** Remembers a step; what was undone before cannot be done again after it. */
    public function add(int $report, ReportStep $step, string $who): void
    {
        $this->connection->executeStatement('DELETE FROM report_step WHERE report = ? AND undone = 1', [$report]);
        $this->connection->insert('report_step', [
            'report' => $report,
            'at' => (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
            'who' => $who,
            'says' => mb_substr($step->says, 0, 400),
            'undone' => 0,
            'was' => $step->was,
            'became' => $step->became,
            'closings' => json_encode($step->closings, \JSON_THROW_ON_ERROR),
        ]);
    }

    /** The next step back, or on; null where there is none. */
    public function maybeNext(int $report, bool $forth): ?ReportStep
    {
        $row = $this->connection->fetchAssociative(
            'SELECT id, says, was, became, closings FROM report_step WHERE report = ? AND undone = '.
                ($forth ? '1 ORDER BY id' : '0 ORDER BY id DESC').
                ' LIMIT 1',
            [$report],
        );
        if (false === $row) {
            return null;
        }
        /** @var array{id: int, says: string, was: int, became: int, closings: string} $row */
        /** @var array<int, array{string|null, string|null}> $closings */
        $closings = json_decode($row['closings'], true, 8, \JSON_THROW_ON_ERROR);

        return new ReportStep($row['says'], $row['was'], $row['became'], $closings, $row['id']);
    }

    public function mark(int $step, bool $isUndone): void
    {
        $this->connection->update('report_step', ['undone' => $isUndone ? 1 : 0], ['id' => $step]);
    }
}

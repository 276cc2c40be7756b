<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Turn\WriteAside;

/** Keeps what was found in a report until it, its charts or its figures change. */
final readonly class ReportChecks
{
    public function __construct(private Connection $connection, private WriteAside $aside) {}

    /** @return array<string, mixed>|null as keep() took it; null where there is none of the report as it is now */
    public function maybeKept(int $report, string $sign): ?array
    {
        $kept = $this->connection->fetchOne('SELECT findings FROM report_check WHERE report = ? AND sign = ?', [
            $report, $sign,
        ]);

        /** @var array<string, mixed>|null */
        return \is_string($kept) ? json_decode($kept, true, 16, \JSON_THROW_ON_ERROR) : null;
    }

    /**
     * Keeps it where nobody writes just now; else the next one does.
     *
     * @param array<string, mixed> $findings
     */
    public function keep(int $report, string $sign, array $findings): void
    {
        $this->aside->write(
            'INSERT INTO report_check (report, sign, findings) VALUES (?, ?, ?) ON CONFLICT (report) DO UPDATE SET '.
                'sign = excluded.sign, findings = excluded.findings',
            [$report, $sign, json_encode($findings, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)],
        );
    }
}

<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Turn\WriteAside;

/** Keeps the findings of a dataset until it changes, and which of them were accepted. */
final readonly class FindingStore
{
    public function __construct(private Connection $connection, private WriteAside $aside) {}

    /** @return ?string as keep() took it; null where there is none of the dataset as it is now */
    public function maybeKept(DatasetRecord $record): ?string
    {
        $kept = $this->connection->fetchOne('SELECT findings FROM dataset_check WHERE dataset = ? AND sign = ?', [
            $record->id, self::sign($record),
        ]);

        return \is_string($kept) ? $kept : null;
    }

    /** Keeps it where nobody writes just now; else the next one does. */
    public function keep(DatasetRecord $record, string $findings): void
    {
        $this->aside->write(
            'INSERT INTO dataset_check (dataset, sign, findings) VALUES (?, ?, ?) ON CONFLICT (dataset) DO UPDATE '.
                'SET sign = excluded.sign, findings = excluded.findings',
            [$record->id, self::sign($record), $findings],
        );
    }

    public function accept(DatasetRecord $record, string $finding, string $mark, string $reason, string $who): void
    {
        $this->connection->executeStatement(
            'INSERT INTO accepted_check (dataset, finding, mark, reason, who, at) VALUES (?, ?, ?, ?, ?, ?) ON '.
                'CONFLICT (dataset, finding) DO UPDATE SET mark = excluded.mark, reason = excluded.reason, who = '.
                'excluded.who, at = excluded.at',
            [$record->id, $finding, $mark, $reason, $who, (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM)],
        );
    }

    public function withdraw(DatasetRecord $record, string $finding): void
    {
        $this->connection->executeStatement('DELETE FROM accepted_check WHERE dataset = ? AND finding = ?', [
            $record->id, $finding,
        ]);
    }

    /** @return array<string, array{mark: string, reason: string, who: string, at: string}> by finding */
    public function accepted(DatasetRecord $record): array
    {
        /** @var array<string, array{mark: string, reason: string, who: string, at: string}> */
        return $this->connection->fetchAllAssociativeIndexed(
            'SELECT finding, mark, reason, who, at FROM accepted_check WHERE dataset = ?', [$record->id],
        );
    }

    private static function sign(DatasetRecord $record): string
    {
        return "$record->version.$record->revision";
    }
}

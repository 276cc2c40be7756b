<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names\Numbering;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Names\FormerNames;
use KeenMargin\App\Storage\Names\KnownNames;
use KeenMargin\App\Storage\Names\NumberedRow;
use KeenMargin\App\Storage\Names\NumbersOf;
use KeenMargin\App\Storage\Reports\VersionParts;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\ReportNames;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Document\ReportWriter;

/**
 * Puts numbers in place of the names in everything that is kept: charts, measures, notes, reports with their versions,
 * and the log of changes; and names again on the way back. Issued reports stay as they were issued.
 */
final class Numbering
{
    private readonly LoggedNames $log;
    private readonly FormerNames $names;
    private readonly KnownNames $known;
    private readonly VersionParts $parts;
    /** @var list<string> what could not be resolved, as sentences */
    private array $unresolved = [];

    public function __construct(private readonly Connection $connection)
    {
        $this->log = new LoggedNames($connection);
        $this->names = new FormerNames($connection);
        $this->known = new KnownNames($connection);
        $this->parts = new VersionParts($connection);
    }

    /** @return list<string> names that stand for nothing, as sentences: they stay as they are written */
    public function run(): array
    {
        $this->log->keep();
        $latest = $this->names->latest();
        foreach (['chart' => 'The chart', 'measure' => 'The measure', 'note' => 'The note'] as $table => $what) {
            foreach ($this->connection->fetchAllAssociative("SELECT * FROM $table") as $row) {
                $names = $this->noting($row['dataset_id'], $latest);
                $this->update($table, $row, NumberedRow::columns($table, $row, $names));
                $this->tell($what.' “'.self::text($row['name'] ?? $row['label'] ?? '').'”', $names->unresolved);
            }
        }
        foreach ($this->connection->fetchAllAssociative('SELECT id, title, document FROM report') as $row) {
            $title = self::text($row['title']);
            $id = is_numeric($row['id']) ? (int) $row['id'] : 0;
            $numbered = $this->report(self::decoded($row['document']), $latest, [], "The report “{$title}”");
            null === $numbered || $this->update('report', $row, ['document' => self::json($numbered)]);
            $this->versions($id, $title);
        }
        $this->changes();

        return $this->unresolved;
    }

    /** The way back: names, as they are now, in place of numbers. */
    public function undo(): void
    {
        $named = function (string $table, array $row): array {
            /** @var array<string, mixed> $row */
            $documents = array_map(self::decoded(...), $row);

            return NumberedRow::columns($table, $row, $this->known->in([$row, $documents]));
        };
        foreach (['chart', 'measure', 'note'] as $table) {
            foreach ($this->connection->fetchAllAssociative("SELECT * FROM $table") as $row) {
                $this->update($table, $row, $named($table, $row));
            }
        }
        foreach ($this->connection->fetchAllAssociative('SELECT id, document FROM report') as $row) {
            $this->update('report', $row, ['document' => self::json($this->named(self::decoded($row['document'])))]);
        }
        foreach ($this->connection->fetchAllAssociative('SELECT * FROM report_version') as $row) {
            $report = is_numeric($row['report']) ? (int) $row['report'] : 0;
            $document = $this->named($this->parts->unpack($report, self::text($row['document'])));
            $this->keepVersion($report, $row['version'], $document);
        }
        $this->eachChange(
            fn (string $table, array $columns): array => 'report' === $table
                ? ['document' => self::json($this->named(self::decoded($columns['document'] ?? '')))]
                : $named($table, $columns),
        );
    }

    private function versions(int $report, string $title): void
    {
        $known = new NumberedVersions($this->connection, $this->log, $report);
        $rows = $this->connection->fetchAllAssociative(
            'SELECT version, document FROM report_version WHERE report = ? ORDER BY version', [$report],
        );
        foreach ($rows as $row) {
            $document = $this->parts->unpack($report, self::text($row['document']));
            [$until, $borne] = $known->knownIn(is_numeric($row['version']) ? (int) $row['version'] : 0, $document);
            $numbered = $this->report($document, $until, $borne, "An earlier version of the report “{$title}”");
            null === $numbered || $this->keepVersion($report, $row['version'], $numbered);
        }
        $this->parts->tidy($report);
    }

    /** @param array<string, mixed> $document */
    private function keepVersion(int $report, mixed $version, array $document): void
    {
        $this->connection->update(
            'report_version',
            ['document' => $this->parts->pack($report, $document)],
            ['report' => $report, 'version' => $version],
        );
    }

    /** What renamings wrote into documents is no change any more; what mergings did to them refers to numbers. */
    private function changes(): void
    {
        $this->eachChange(function (string $table, array $columns, int $dataset, int $change, bool $isAfter): array {
            $known = $isAfter ? $this->log->knownAfter($change) : $this->log->knownBefore($change);
            if ('report' !== $table) {
                return NumberedRow::columns($table, $columns, $this->numbers($dataset, $known));
            }
            $document = $this->report(self::decoded($columns['document'] ?? ''), $known, [], '');

            return null === $document ? [] : ['document' => self::json($document)];
        });
    }

    /**
     * Columns are given with the table, the dataset, the change, and whether they are those after it.
     *
     * @param callable(string, array<string, mixed>, int, int, bool): array<string, string> $columns that become others
     */
    private function eachChange(callable $columns): void
    {
        foreach ($this->log->changes() as $change) {
            $body = self::decoded($change['body']);
            $rows = [];
            foreach (LoggedNames::rowsWithoutRenamed($change['body']) as [$table, $id, $was, $is]) {
                $both = [];
                foreach ([$was, $is] as $side => $of) {
                    /** @var array<string, mixed>|null $of */
                    $both[] =
                        null === $of
                            ? null
                            : [...$of, ...$columns($table, $of, $change['dataset'], $change['id'], 1 === $side)];
                }
                $isChanged = null === $both[0] || null === $both[1];
                if (!$isChanged) {
                    $differs = array_filter(
                        $both[1] ?? [],
                        static fn (mixed $value, string $column): bool => $value !== ($both[0][$column] ?? null),
                        \ARRAY_FILTER_USE_BOTH,
                    );
                    $both = [array_intersect_key($both[0] ?? [], $differs), $differs];
                    $isChanged = [] !== $differs;
                }
                $isChanged && ($rows[] = [$table, $id, ...$both]);
            }
            $told = self::json(array_replace($body, ['rows' => $rows]));
            $this->connection->update('dataset_change', ['body' => $told], ['id' => $change['id']]);
        }
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, string> $borne
     *
     * @return array<string, mixed>|null null: it cannot be read, and stays as it is
     */
    private function report(array $document, int $known, array $borne, string $what): ?array
    {
        $names = new NotingReport($this->connection, $this->names, $known, $borne);
        try {
            $report = ReportNames::of(ReportReader::read(Given::kept($document)), $names);
        } catch (NotAccepted) {
            '' === $what || $this->say("$what cannot be read. It stays as it is.");

            return null;
        }
        '' === $what || $this->tell($what, $names->unresolved());

        return ReportWriter::toArray($report);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private function named(array $document): array
    {
        try {
            $report = ReportReader::read(Given::kept($document));
        } catch (NotAccepted) {
            return $document;
        }

        return ReportWriter::toArray(ReportNames::of($report, $this->known->in($document)));
    }

    private function noting(mixed $dataset, int $known): NotingNames
    {
        return new NotingNames($this->numbers($dataset, $known));
    }

    private function numbers(mixed $dataset, int $known): NameMap
    {
        return new NumbersOf(is_numeric($dataset) ? (int) $dataset : 0, $this->names, $known);
    }

    /**
     * @param array<string, mixed> $row as it is
     * @param array<string, string> $columns as they are to be
     */
    private function update(string $table, array $row, array $columns): void
    {
        // Documents that say the same stay as they were written.
        $changed = array_filter(
            $columns,
            static fn (string $value, string $column): bool => $value !== $row[$column]
                && ([] === self::decoded($value) || self::decoded($value) !== self::decoded($row[$column])),
            \ARRAY_FILTER_USE_BOTH,
        );
        [] === $changed || $this->connection->update($table, $changed, ['id' => $row['id']]);
    }

    /** @param array<string, string> $unresolved */
    private function tell(string $what, array $unresolved): void
    {
        if ([] !== $unresolved) {
            $names = implode(', ', $unresolved);
            $this->say("$what names what is not there and never was: $names. It stays as it is written.");
        }
    }

    /** Once, however many versions of a report have it. */
    private function say(string $sentence): void
    {
        \in_array($sentence, $this->unresolved, true) || ($this->unresolved[] = $sentence);
    }

    /** @return array<string, mixed> empty where it is no document */
    private static function decoded(mixed $json): array
    {
        $document = \is_string($json) ? json_decode($json, true) : null;

        /** @var array<string, mixed> */
        return \is_array($document) ? $document : [];
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    /** @param array<mixed> $of */
    private static function json(array $of): string
    {
        return json_encode($of, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}

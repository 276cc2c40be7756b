<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names\Numbering;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Names\NameKind;
use KeenMargin\App\Storage\Names\NumberedName;

/**
 * Which names the versions of a report were written with. Until references were numbers, each renaming that concerned
 * a report made a version of it: the logs tell which, and for the others the time tells.
 */
final class NumberedVersions
{
    /** @var list<array{id: int, at: string, isUndone: bool, was: mixed, is: mixed, names: array<string, string>}> */
    private array $changes = [];
    /** @var array<int, string> when a step led to a version, by version */
    private array $times = [];
    private int $next = 0;
    /** @var array<int, array<string, string>> what undone changes named, as long as they were in force, by change */
    private array $inForce = [];

    public function __construct(Connection $connection, private readonly LoggedNames $log, int $report)
    {
        foreach ($log->changes() as $change) {
            $rows = LoggedNames::rows($change['body']);
            foreach ($rows as [$table, $id, $was, $is]) {
                if ('report' === $table && $id === $report) {
                    $this->changes[] = [
                        'id' => $change['id'],
                        'at' => $change['at'],
                        'isUndone' => 1 === $change['undone'],
                        'was' => self::document($was),
                        'is' => self::document($is),
                        'names' => self::borne($rows, $connection),
                    ];
                }
            }
        }
        /** @var array<int, string> $times */
        $times = $connection->fetchAllKeyValue('SELECT became, at FROM report_step WHERE report = ?', [$report]);
        $this->times = $times;
    }

    /**
     * To be asked for one version after the other.
     *
     * @param array<string, mixed> $document of the version
     *
     * @return array{int, array<string, string>} the last lost name that its author knew of; references by names that
     *                                           were borne for a while only
     */
    public function knownIn(int $version, array $document): array
    {
        foreach ($this->changes as $i => $change) {
            if ($change['isUndone']) {
                if ($document == $change['is']) {
                    $this->inForce[$change['id']] = $change['names'];
                } elseif ($document == $change['was']) {
                    unset($this->inForce[$change['id']]);
                }
            } elseif ($i >= $this->next && $document == $change['is']) {
                $this->next = $i + 1;
            }
        }
        $at = $this->times[$version] ?? '';
        foreach ($this->changes as $i => $change) {
            if (!$change['isUndone'] && $i === $this->next && '' !== $at && $change['at'] < $at) {
                $this->next = $i + 1;
            }
        }
        $done = array_filter(
            \array_slice($this->changes, 0, $this->next),
            static fn (array $change): bool => !$change['isUndone'],
        );
        $last = end($done);
        $known = false === $last ? $this->log->knownAtFirst() : $this->log->knownAfter($last['id']);

        return [
            '' === $at ? $known : max($known, $this->log->knownAt($at)),
            array_merge([], ...array_values($this->inForce)),
        ];
    }

    /** @param array<mixed>|null $columns */
    private static function document(?array $columns): mixed
    {
        return \is_string($columns['document'] ?? null) ? json_decode($columns['document'], true) : null;
    }

    /**
     * @param list<array{string, int, array<mixed>|null, array<mixed>|null}> $rows
     *
     * @return array<string, string>
     */
    private static function borne(array $rows, Connection $connection): array
    {
        $borne = [];
        foreach ($rows as [$table, $id, , $is]) {
            $kind = NameKind::tryFrom($table);
            $name = $is['name'] ?? null;
            if (null !== $kind && \is_string($name)) {
                $breakdown = NameKind::Member !== $kind
                    ? ''
                    : $connection->fetchOne(
                        'SELECT b.name FROM member m JOIN breakdown b ON b.id = m.breakdown_id WHERE m.id = ?', [$id],
                    );
                $key = \is_string($breakdown) && '' !== $breakdown ? "$breakdown $name" : $name;
                $borne["{$kind->value} $key"] = (new NumberedName($kind, $id))->written();
            }
        }

        return $borne;
    }
}
